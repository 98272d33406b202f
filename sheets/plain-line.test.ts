import { describe, expect, test } from '@jest/globals';
import ICAL from 'ical.js';
import DxfParser from 'dxf-parser';
import { plainLine, plainLines } from './plain-line';
import type { SheetDrawing } from './sheet-drawing';
import { writeCalendar } from './write-calendar';
import { writeDxf } from './write-dxf';
import { writeSvg } from './write-svg';

/** In a DXF the next two lines would be a layer's; in a calendar a property; in an SVG a letter that XML 1.0 has not. */
const HOSTILE = 'Lip\n8\nCUT\r\nATTENDEE:mailto:x@y.example\u0000\u0008\u2028end';

const drawing: SheetDrawing = {
  lines: [
    {
      layer: 'CUT',
      points: [
        [0, 0],
        [10, 0],
      ],
    },
  ],
  texts: [{ at: [1, 1], text: HOSTILE }],
  box: { left: 0, bottom: 0, width: 10, height: 10 },
} as unknown as SheetDrawing;

describe('what somebody typed stays text in every file', () => {
  test('one line, or lines whose only controls are their ends', () => {
    expect(plainLine(HOSTILE)).toBe('Lip 8 CUT ATTENDEE:mailto:x@y.example end');
    expect(plainLines('a\r\nb\rc\u0007')).toBe('a\nb\nc');
  });

  test('a DXF has one line on its cut layer and the words on their own', () => {
    const parsed = new DxfParser().parseSync(writeDxf(drawing))!;
    const on = (layer: string) => parsed.entities.filter((one) => one.layer === layer);
    expect(on('CUT').map(({ type }) => type)).toEqual(['LWPOLYLINE']);
    expect(on('REGISTER')).toMatchObject([{ type: 'TEXT', text: plainLine(HOSTILE) }]);
  });

  // XML 1.0, 2.2: Char leaves out the C0 controls but tab, line feed and carriage return.
  test('an SVG holds no letter that XML does not', () => {
    // eslint-disable-next-line no-control-regex
    expect(writeSvg(drawing)).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/);
  });

  test('a calendar has its own properties and none that was typed', () => {
    const event = { id: `a${HOSTILE}`, due: '2027-02-01', text: HOSTILE, note: HOSTILE };
    const text = writeCalendar({ title: HOSTILE, job: HOSTILE, events: [event] }, new Date('2026-01-01T00:00:00Z'));
    const calendar = new ICAL.Component(ICAL.parse(text));
    expect(calendar.getFirstPropertyValue('x-wr-calname')).toBe(plainLine(HOSTILE));
    const [only] = calendar.getAllSubcomponents('vevent');
    expect(only!.hasProperty('attendee')).toBe(false);
    expect(calendar.hasProperty('attendee')).toBe(false);
    expect(only!.getFirstPropertyValue('summary')).toBe(plainLine(HOSTILE));
  });
});
