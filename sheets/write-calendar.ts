import { plainLine, plainLines } from './plain-line';
import ical, { ICalCalendarMethod, ICalEventStatus, ICalEventTransparency } from 'ical-generator';

/** What is due, by day. */
export interface DueCalendar {
  readonly title: string;
  /** Of which job: the same days of another job are other entries. */
  readonly job?: string | undefined;
  readonly events: readonly {
    readonly id: string;
    /** `2027-03-14`. */
    readonly due: string;
    readonly text: string;
    readonly note: string;
    /** Done: a calendar that has it takes it off. */
    readonly done?: boolean | undefined;
  }[];
}

/** Days before that a calendar program reminds of it. */
const REMIND_S = 24 * 3600;

/** An iCalendar file (RFC 5545): one all-day event each, with a reminder the day before. `now`: when it was written. */
export function writeCalendar({ title, job, events }: DueCalendar, now: Date): string {
  const calendar = ical({
    name: plainLine(title),
    prodId: { company: 'Low Gap', product: 'Follow-up', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { id, due, text, note, done } of events) {
    const event = calendar.createEvent({
      id: plainLine(`${job ? `${job}-` : ''}${id}@lowgap`),
      // Written again it is newer: a calendar keeps the newest of one entry.
      sequence: Math.floor(now.getTime() / 60_000),
      status: done ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
      stamp: now,
      // A date is a date, wherever the server stands: the package writes days as they are in UTC.
      start: new Date(`${due}T00:00:00Z`),
      allDay: true,
      summary: plainLine(text),
      description: plainLines(note),
      transparency: ICalEventTransparency.TRANSPARENT,
    });
    if (!done) event.createAlarm({ type: 'display' as never, trigger: REMIND_S, description: plainLine(text) });
  }
  return calendar.toString();
}
