import type { LowgapReading } from '@/contracts/lowgap-file';
import type { CornerKey } from '@/core/2-vehicle/setup/corner-key';
import type { useJobStore } from '../stores/job';
import { obstacleOfStop, type OutboardAsked } from './walk-state';

type Job = Pick<ReturnType<typeof useJobStore>, 'change' | 'pick'>;

/** Puts a reading of the walk into the document; its obstacle is added with the first one. */
export function takeGap(job: Job, key: CornerKey, stop: string, reading: LowgapReading): void {
  job.change((file) => {
    const corner = file.corners[key];
    if (!corner) return;
    let obstacle = corner.obstacles.find(({ id }) => id === stop);
    if (!obstacle) {
      const made = obstacleOfStop(stop, corner);
      if (!made) return;
      corner.obstacles.push((obstacle = made));
    }
    obstacle.readings = [...(obstacle.readings ?? []), reading];
  });
  job.pick = { corner: key, id: stop };
}

/** Adds the distance outboard to the reading it belongs to. */
export function takeOutboard(job: Job, key: CornerKey, asked: OutboardAsked, mm: number, typed: string): void {
  job.change((file) => {
    const obstacle = file.corners[key]?.obstacles.find(({ id }) => id === asked.stop);
    if (!obstacle?.readings) return;
    obstacle.readings = obstacle.readings.map((reading) =>
      reading.walkStep === asked.step
        ? { ...reading, across: 'tread', outboardMm: mm, typed: { ...reading.typed, outboardMm: typed } }
        : reading,
    );
  });
}
