import { expect, test } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import ICAL from 'ical.js';
import { writeCalendar } from './write-calendar';

const NOW = new Date('2026-11-26T09:00:00Z');

test('an independent parser (ical.js) reads every due day back, whole days, with what is to be done', () => {
  const text = writeCalendar(
    {
      title: 'Patrol pickup',
      events: [
        { id: 'a1', due: '2026-12-03', text: 'Wheel nuts: torque again; by the maker', note: 'or after 80 km' },
        { id: 'b2', due: '2027-11-26', text: 'Yearly look — rub marks, joints, seals', note: '' },
      ],
    },
    NOW,
  );
  const calendar = new ICAL.Component(ICAL.parse(text));
  expect(calendar.getFirstPropertyValue('version')).toBe('2.0');
  const events = calendar.getAllSubcomponents('vevent').map((event) => new ICAL.Event(event));
  expect(events.map(({ summary }) => summary)).toEqual([
    'Wheel nuts: torque again; by the maker',
    'Yearly look — rub marks, joints, seals',
  ]);
  expect(events.map(({ startDate }) => startDate.toString())).toEqual(['2026-12-03', '2027-11-26']);
  expect(events.every(({ startDate }) => startDate.isDate)).toBe(true);
  expect(new Set(events.map(({ uid }) => uid)).size).toBe(2);
  const [alarm] = events[0]!.component.getAllSubcomponents('valarm');
  expect(alarm!.getFirstPropertyValue('trigger')!.toString()).toBe('-P1D');
});

test('no line is longer than 75 octets but by folding (RFC 5545, 3.1)', () => {
  const text = writeCalendar(
    { title: 'Long', events: [{ id: 'c', due: '2027-01-02', text: 'x'.repeat(300), note: '' }] },
    NOW,
  );
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
});

const eventsOf = (text: string) =>
  new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((event) => new ICAL.Event(event));
const DUE = { id: 'a1', due: '2026-12-03', text: 'Look', note: '' };

test('written again an entry is the same one, newer; done it is canceled; the same day of another job is another entry', () => {
  const write = (job: string, minute: number, done: boolean) =>
    eventsOf(
      writeCalendar({ title: 'x', job, events: [{ ...DUE, done }] }, new Date(NOW.getTime() + 60_000 * minute)),
    )[0]!;
  const [first, second, other] = [write('j1', 0, false), write('j1', 5, true), write('j2', 5, false)];
  expect(second.uid).toBe(first.uid);
  expect(second.sequence).toBeGreaterThan(first.sequence);
  expect(second.component.getFirstPropertyValue('status')).toBe('CANCELLED');
  expect(first.component.getFirstPropertyValue('status')).toBe('CONFIRMED');
  expect(second.component.getAllSubcomponents('valarm')).toEqual([]);
  expect(other.uid).not.toBe(first.uid);
});

test.each(['Pacific/Auckland', 'Asia/Tokyo', 'Europe/Berlin', 'America/Denver', 'Pacific/Honolulu'])(
  'a date is that date on a server in %s',
  (zone) => {
    const program = `import('@/sheets/write-calendar.ts').then(({ writeCalendar }) => process.stdout.write(writeCalendar(${JSON.stringify({ title: 'x', events: [DUE] })}, new Date())));`;
    const text = execFileSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', program], {
      env: { ...process.env, TZ: zone, NODE_OPTIONS: '' },
      encoding: 'utf8',
    });
    expect(eventsOf(text)[0]!.startDate.toString()).toBe('2026-12-03');
  },
);
