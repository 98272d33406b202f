import { computed, onScopeDispose, ref, shallowRef, watch, type ComputedRef } from 'vue';
import { levelCrossMm, steerAt } from '@/core/4-clearance/envelope/envelope';
import { gapInPosture } from '@/core/4-clearance/oracle/plain-sweep';
import type { PreparedCorner } from '@/core/4-clearance/case/prepared-corner';
import type { ObstacleVerdict } from '@/core/4-clearance/verdict/evaluate';
import type { Posture } from '@/core/2-vehicle/motion/corner-motion';
import { lookedAt, type Looked } from '@/core/4-clearance/pictures/touch-section';

/** Seconds of one leg of the sweep: lock to lock, or stop to stop. */
const LEG_SECONDS = 3;

/**
 * The posture that the bench's views show: the picked obstacle's worst, or one that the hand or the sweep chose. With a
 * chosen posture the picked obstacle is measured in that.
 */
export function usePosture(prepared: ComputedRef<PreparedCorner | null>, picked: ComputedRef<ObstacleVerdict | null>) {
  const chosen = shallowRef<{ readonly steer: number; readonly travel: number } | null>(null);
  const playing = ref(false);
  let frame = 0;

  /** Kept between the stops and locks of the setup shown. */
  const posture = computed<Posture | null>(() => {
    const corner = prepared.value;
    if (!corner || !chosen.value) return null;
    const { lowest, highest } = corner.envelope.limits;
    const travel = Math.min(highest, Math.max(lowest, chosen.value.travel));
    const locks = corner.motion.locksAt(corner.motion.carrierAt(travel, 0));
    return {
      travel,
      steer: Math.min(locks.left, Math.max(-locks.right, chosen.value.steer)),
      cross: levelCrossMm(corner.envelope, travel),
    };
  });

  const looked = computed<Looked | null>(() => {
    const corner = prepared.value;
    if (!corner) return null;
    if (!posture.value) return lookedAt(corner, picked.value);
    const obstacle = corner.obstacles.find(({ id }) => id === picked.value?.id);
    return {
      posture: posture.value,
      met: obstacle ? { id: obstacle.id, ...gapInPosture(corner, obstacle, posture.value) } : null,
    };
  });

  function look(next: { readonly steer: number; readonly travel: number }): void {
    playing.value = false;
    chosen.value = next;
  }

  function worst(): void {
    playing.value = false;
    chosen.value = null;
  }

  /** Lock to lock at the parked height, bump to droop straight ahead, then round the envelope's edge. */
  function sweep(seconds: number, corner: PreparedCorner): { steer: number; travel: number } {
    const { lowest, highest, ride } = corner.envelope.limits;
    const leg = Math.floor(seconds / LEG_SECONDS) % 4;
    const share = (seconds / LEG_SECONDS) % 1;
    const there = (travel: number, part: number) => {
      const locks = corner.motion.locksAt(corner.motion.carrierAt(travel, 0));
      return { travel, steer: steerAt(corner.envelope, travel, locks, part) };
    };
    const wave = Math.sin(2 * Math.PI * share);
    if (leg === 0) return there(ride, wave);
    if (leg === 1)
      return { steer: 0, travel: wave > 0 ? ride + wave * (highest - ride) : ride + wave * (ride - lowest) };
    const travel = highest + (lowest - highest) * share;
    return there(travel, leg === 2 ? 1 : -1);
  }

  watch(playing, (on) => {
    cancelAnimationFrame(frame);
    if (!on) return;
    let start: number | null = null;
    const step = (now: number): void => {
      start ??= now;
      if (!playing.value || !prepared.value) return;
      chosen.value = sweep((now - start) / 1000, prepared.value);
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
  });
  onScopeDispose(() => cancelAnimationFrame(frame));
  // Another pick is looked at in its own worst posture.
  watch(() => picked.value?.id, worst);

  return { looked, free: computed(() => chosen.value !== null), playing, look, worst };
}
