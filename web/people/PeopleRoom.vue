<script setup lang="ts">
import QRCode from 'qrcode';
import { onMounted, ref, shallowRef } from 'vue';
import type { z } from 'zod';
import { ROLES, type pairingSchema, type People, type Person, type Role } from '@/contracts/people';
import type { Problem } from '@/core/1-base/problem';
import { api, problemsOf, type ApiResult } from '../api';
import { fullMomentText } from '../kit/dates';
import { vFirst } from '../kit/first-field';
import DialogBox from '../kit/DialogBox.vue';
import NoticeBox from '../kit/NoticeBox.vue';
import PageHead from '../kit/PageHead.vue';
import { problemText } from '../problem-words';
import { ROLE_WORDS } from './role-words';

/** Who works in the shop, on which paired devices, and who is signed in now. */
const all = shallowRef<People | null>(null);
const problems = shallowRef<readonly Problem[]>([]);
const pairing = shallowRef<(z.output<typeof pairingSchema> & { readonly picture: string }) | null>(null);
/** Somebody new, or whose secrets are given anew. */
const editing = shallowRef<Person | 'new' | null>(null);
const name = ref('');
const role = ref<Role>('bay');
const password = ref('');
const pin = ref('');

async function load(): Promise<void> {
  await settled(api.readPeople(), (read) => (all.value = read));
}
onMounted(load);

/** Whether it went well; what was wrong is said. */
async function settled<T>(
  asked: Promise<ApiResult<T>>,
  done: (value: T) => unknown = () => undefined,
): Promise<boolean> {
  const answer = await asked;
  problems.value = problemsOf(answer);
  if (answer.ok) done(answer.value);
  return answer.ok;
}

async function change(asked: Promise<ApiResult<unknown>>): Promise<void> {
  if (await settled(asked)) await load();
}

function edit(person: Person | 'new'): void {
  problems.value = [];
  editing.value = person;
  name.value = person === 'new' ? '' : person.name;
  role.value = person === 'new' ? 'bay' : person.role;
  password.value = pin.value = '';
}

async function keep(): Promise<void> {
  const person = editing.value!;
  const secrets = {
    ...(password.value === '' ? {} : { password: password.value }),
    ...(pin.value === '' ? {} : { pin: pin.value }),
  };
  const asked =
    person === 'new'
      ? api.addPerson({ name: name.value.trim(), role: role.value, ...secrets })
      : api.changePerson(person.id, { role: role.value, ...secrets });
  if (!(await settled<unknown>(asked))) return;
  editing.value = null;
  await load();
}

async function pair(): Promise<void> {
  await settled(api.startPairing(), (made) => {
    void QRCode.toString(made.address, { type: 'svg', margin: 2 }).then((svg) => {
      pairing.value = { ...made, picture: `data:image/svg+xml,${encodeURIComponent(svg)}` };
    });
  });
}
async function paired(): Promise<void> {
  pairing.value = null;
  await load();
}

const signsInBy = ({ hasPassword, hasPin }: Person): string =>
  [...(hasPin ? ['PIN on a paired device'] : []), ...(hasPassword ? ['password'] : [])].join(', ') || 'nothing yet';
</script>

<template>
  <PageHead title="People" says="Who works here, on which tablets, and who may do what" />
  <main class="page">
    <NoticeBox v-if="problems.length && !editing" kind="error" data-testid="people-problems">
      <div v-for="p in problems.slice(0, 4)" :key="p.path + p.code">{{ problemText(p) }}</div>
    </NoticeBox>
    <section v-if="all" class="panel leaf">
      <h2 class="panel-title">People</h2>
      <ul class="rows">
        <li v-for="person in all.people" :key="person.id" :class="{ away: person.isAway }">
          <strong>{{ person.name }}</strong>
          <span>{{ person.isAway ? 'away: may not sign in' : ROLE_WORDS[person.role] }}</span>
          <span class="muted">signs in by {{ signsInBy(person) }}</span>
          <span class="ends">
            <v-btn variant="outlined" height="48" :aria-label="`Change ${person.name}`" @click="edit(person)"
              >Change</v-btn
            >
            <v-btn
              variant="text"
              height="48"
              :aria-label="person.isAway ? `Let ${person.name} in again` : `Let ${person.name} sign in no more`"
              @click="change(api.changePerson(person.id, { isAway: !person.isAway }))"
              >{{ person.isAway ? 'Let in again' : 'No more' }}</v-btn
            >
          </span>
        </li>
      </ul>
      <div class="keys"><v-btn color="primary" size="large" @click="edit('new')">Somebody new</v-btn></div>
    </section>
    <section v-if="all" class="panel leaf">
      <h2 class="panel-title">Paired tablets</h2>
      <ul class="rows">
        <li v-for="device in all.devices" :key="device.id">
          <strong>{{ device.name }}</strong>
          <span class="muted"
            >paired {{ fullMomentText(device.pairedAt) }}, signed in on last {{ fullMomentText(device.seenAt) }}</span
          >
          <span class="ends">
            <v-btn
              variant="text"
              height="48"
              :aria-label="`Forget ${device.name}`"
              @click="change(api.forgetDevice(device.id))"
              >Forget it</v-btn
            >
          </span>
        </li>
      </ul>
      <div class="keys"><v-btn variant="outlined" size="large" @click="pair">Pair a tablet</v-btn></div>
    </section>
    <section v-if="all" class="panel leaf">
      <h2 class="panel-title">Signed in</h2>
      <ul class="rows">
        <li v-for="session in all.sessions" :key="session.id">
          <strong>{{ session.name }}</strong>
          <span>{{ session.device ?? 'by password' }}{{ session.isThis ? ', here' : '' }}</span>
          <span class="muted">seen {{ fullMomentText(session.seenAt) }}</span>
          <span class="ends">
            <v-btn
              v-if="!session.isThis"
              variant="text"
              height="48"
              :aria-label="`Sign ${session.name} out`"
              @click="change(api.endSession(session.id))"
              >Sign out</v-btn
            >
          </span>
        </li>
      </ul>
    </section>
  </main>
  <DialogBox
    :model-value="editing !== null"
    label="Somebody of the shop"
    :width="520"
    @update:model-value="(open: boolean) => open || (editing = null)"
  >
    <form class="panel dialog" @submit.prevent="keep">
      <h2 class="panel-title">{{ editing === 'new' ? 'Somebody new' : name }}</h2>
      <v-text-field v-if="editing === 'new'" v-model="name" label="Name" autocomplete="off" v-first />
      <div class="roles" role="radiogroup" aria-label="May">
        <v-btn
          v-for="one in ROLES"
          :key="one"
          role="radio"
          height="48"
          :aria-checked="role === one"
          :variant="role === one ? 'flat' : 'outlined'"
          :color="role === one ? 'primary' : undefined"
          @click="role = one"
          >{{ ROLE_WORDS[one] }}</v-btn
        >
      </div>
      <v-text-field
        v-model="pin"
        label="PIN, for paired tablets"
        inputmode="numeric"
        autocomplete="off"
        hint="four to eight digits"
        persistent-hint
      />
      <v-text-field
        v-model="password"
        label="Password, for everywhere else"
        type="password"
        autocomplete="new-password"
        hint="twelve characters or more"
        persistent-hint
      />
      <p v-if="editing !== 'new'" class="muted">
        Left empty, they stay as they are. A new one signs {{ name }} out everywhere.
      </p>
      <NoticeBox v-if="problems.length" kind="error">
        <div v-for="p in problems.slice(0, 4)" :key="p.path + p.code">{{ problemText(p) }}</div>
      </NoticeBox>
      <div class="keys ends">
        <v-btn variant="text" height="48" @click="editing = null">Cancel</v-btn>
        <v-btn type="submit" color="primary" height="48" :disabled="name.trim() === ''">Keep</v-btn>
      </div>
    </form>
  </DialogBox>
  <DialogBox
    :model-value="pairing !== null"
    label="Pair a tablet"
    :width="520"
    @update:model-value="(open: boolean) => open || paired()"
  >
    <div class="panel dialog">
      <h2 class="panel-title">Pair a tablet</h2>
      <p>
        Point the tablet's camera at the picture, or open the address on it. Good once, until
        {{ pairing && fullMomentText(pairing.until) }}.
      </p>
      <img v-if="pairing" :src="pairing.picture" alt="The address as a QR code" width="260" height="260" />
      <p class="figures">{{ pairing?.address }}</p>
      <div class="keys ends"><v-btn color="primary" height="48" @click="paired">It is paired</v-btn></div>
    </div>
  </DialogBox>
</template>

<style scoped>
.leaf {
  padding: 18px 20px;
  margin-bottom: 18px;
  max-width: 960px;
}
.rows {
  list-style: none;
  padding: 0;
  margin-bottom: 12px;
}
.rows li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 16px;
  align-items: center;
  min-height: 56px;
  border-bottom: 1px solid var(--rule);
}
.rows .ends {
  margin-left: auto;
}
.away strong {
  font-weight: 400;
}
.roles {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
img {
  background: #fff;
}
</style>
