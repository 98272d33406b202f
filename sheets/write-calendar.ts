import ical, { ICalCalendarMethod, ICalEventTransparency } from 'ical-generator';

/** What is due, by day. */
export interface DueCalendar {
  readonly title: string;
  readonly events: readonly {
    readonly id: string;
    /** `2027-03-14`. */
    readonly due: string;
    readonly text: string;
    readonly note: string;
  }[];
}

/** Days before that a calendar program reminds of it. */
const REMIND_S = 24 * 3600;

/** An iCalendar file (RFC 5545): one all-day event each, with a reminder the day before. `now`: when it was written. */
export function writeCalendar({ title, events }: DueCalendar, now: Date): string {
  const calendar = ical({
    name: title,
    prodId: { company: 'Low Gap', product: 'Follow-up', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { id, due, text, note } of events) {
    const event = calendar.createEvent({
      id: `${id}@lowgap`,
      stamp: now,
      start: new Date(`${due}T00:00:00`),
      allDay: true,
      summary: text,
      description: note,
      transparency: ICalEventTransparency.TRANSPARENT,
    });
    event.createAlarm({ type: 'display' as never, trigger: REMIND_S, description: text });
  }
  return calendar.toString();
}
