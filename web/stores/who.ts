import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { mayDo, type Act, type Me } from '@/contracts/people';
import { api } from '../api';
import { forgetKept } from '../offline/kept-answers';

/** Who is at this browser, and what they may do; where nobody is asked, everything. */
export const useWho = defineStore('who', () => {
  /** null: not known yet, or the server is away. */
  const me = shallowRef<Me | null>(null);

  async function load(): Promise<void> {
    const answer = await api.me();
    if (answer.ok) me.value = answer.value;
  }

  const mustSignIn = computed(() => me.value?.isAsked === true && me.value.who === null);
  /** A getter: asked for in templates. A server that is away is asked again by whatever is tried. */
  const may = computed(() => (act: Act): boolean => {
    if (!me.value?.isAsked) return true;
    return me.value.who !== null && mayDo(me.value.who.role, act);
  });

  async function signOut(): Promise<void> {
    await api.signOut();
    await forgetKept();
    await load();
  }

  return { me, load, mustSignIn, may, signOut };
});
