/** What a thing is called, for whom it is new; the same lines stand in docs/words.md, which a test holds them to. */
export const WORDS_USED: readonly { readonly say: string; readonly means: string }[] = [
  { say: 'gap', means: 'room between the tire and a part, measured square to the tire' },
  { say: 'low gap', means: 'the least gap of all, over everything the wheel can do' },
  { say: 'needs', means: 'the gap that the standard wants there' },
  { say: 'short by, to spare', means: 'what is wanting or left over what it needs' },
  { say: 'clear, close, too close, rubs, not known', means: 'the five verdicts' },
  { say: 'part', means: 'anything near the tire: lip, arm, mount, hose' },
  { say: 'steer and travel', means: 'how the wheel stands: steered so far, so high' },
  { say: 'measuring error', means: 'how far off measured numbers may be' },
  { say: 'pre-check card', means: 'gaps that today’s tire must have' },
  { say: 'outboard, inboard', means: 'away from the vehicle, toward it' },
  { say: 'ride height', means: 'as it stands on its wheels' },
  { say: 'bump, droop', means: 'wheel up into the body, wheel down' },
  { say: 'lock', means: 'steered fully to one side' },
  { say: 'poke', means: 'how far the tire stands out beyond the fender' },
  { say: 'backspacing', means: 'inboard lip to mounting pad' },
];

/** Keys that work everywhere. */
export const SHORTCUTS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: '?', does: 'this help' },
  { keys: 'Ctrl+Z, Ctrl+Y', does: 'undo and redo, within a job' },
  { keys: 'Enter', does: 'takes the reading, adds the line' },
  { keys: 'Ctrl+Enter', does: 'to what is next on the job' },
  { keys: 'Alt+Shift+1 to 0', does: 'to the rooms of a job, in their order' },
  { keys: 'Tab', does: 'the next field or key; the first one skips to the content' },
  { keys: 'Escape', does: 'closes what is open' },
  { keys: 'Arrow keys', does: 'between views, along a drawing’s handle, over the map of steer and travel' },
];

export const HOW_TO_MEASURE: readonly string[] = [
  'Level ground, wheels straight, tires at pressure, usual load. Roll it and bounce it before every height.',
  'Hub center to fender lip does not depend on the tire; ground to fender lip does. Both, at every corner.',
  'A gap is taken from the tire now fitted, square to its surface, at a clock place as you see it facing the wheel: 12 is up; the front is at 3 on the right side, at 9 on the left.',
  'Say where across the tire it starts: tread, outer or inner shoulder, outer or inner sidewall.',
  'For bump put the wheel on a ramp or a hump and read hub to lip at that moment; a jack with the spring in only lifts the vehicle.',
  'A number is read as it is typed: 2 7/8, 2-7/8", 57 mm, 1.25 in. A bare number is in the unit of the job.',
];
