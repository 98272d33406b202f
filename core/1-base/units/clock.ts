import { ProblemError } from '../problem';

/**
 * Clock position round the tire as degrees: 12:00 = 0 (vehicle-up projected on the wheel plane),
 * 3:00 = 90 (toward the vehicle's front, on both sides). `10:20` = 310: the hour hand, to the minute.
 * @throws ProblemError `unreadableClock` at `path`.
 */
export function parseClock(text: string, path = ''): number {
  const match = /^(\d{1,2})(?::(\d{2}))?$/.exec(text.trim());
  const hour = Number(match?.[1]);
  const minute = Number(match?.[2] ?? 0);
  if (!match || !(hour >= 1 && hour <= 12) || !(minute < 60)) {
    throw new ProblemError({
      code: 'unreadableClock',
      path,
      expected: 'a clock position from 1:00 to 12:59, such as 10:30',
      found: text.trim() === '' ? 'nothing' : text,
    });
  }
  return ((hour % 12) * 30 + minute * 0.5) % 360;
}

/**
 * A clock position as whoever faces the wheel from outside sees it, from how the file has it, or the other way round. On the right
 * side they are the same; on the left the front of the vehicle is at 9:00 as it is seen, at 3:00 in the file.
 * @throws ProblemError `unreadableClock`.
 */
export const seenClock = (clock: string, side: 'left' | 'right'): string =>
  side === 'left' ? formatClock(360 - parseClock(clock)) : clock;

/** Degrees to `h:mm`, to the nearest minute of the hour hand (half a degree). */
export function formatClock(degrees: number): string {
  const halfDegrees = ((Math.round(degrees * 2) % 720) + 720) % 720;
  const hour = Math.floor(halfDegrees / 60);
  const minute = halfDegrees % 60;
  return `${hour === 0 ? 12 : hour}:${String(minute).padStart(2, '0')}`;
}
