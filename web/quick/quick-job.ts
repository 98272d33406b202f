import type { JobContent } from '@/contracts/job-api';
import { lowgapFileSchema } from '@/contracts/lowgap-file';
import type { QuickTexts } from '@/contracts/quick';
import type { QuickPlace } from '@/core/6-decisions/quick/quick-places';
import { quickCorner, wantedSetup, type QuickQuestion } from '@/core/6-decisions/quick/quick-question';
import { blankCorner, settle, takeMotion } from '../baseline/blank-corner';
import { newToken } from '../saving/tab';
import { VEHICLE_KIND_NAMES } from '../words';
import { placeSays } from './quick-words';

const MOST_TITLE = 120;
const MOST_NOTES = 4000;

/**
 * A job that goes on from a quick look: both setups, the suspension as far as it was said, the units; what was said of gaps stands in the
 * notes. A gap by fingers is no reading, so none is made of it.
 */
export function jobOfQuick(question: QuickQuestion, texts: QuickTexts, places: readonly QuickPlace[]): JobContent {
  const key = quickCorner(question);
  const corner = blankCorner(key);
  corner.fitted = {
    ...corner.fitted,
    ...(structuredClone(question.fitted) as Pick<typeof corner.fitted, 'tire' | 'wheel' | 'spacerMm'>),
  };
  settle(corner, 'tire');
  settle(corner, 'wheel');
  if (question.suspension) takeMotion(corner, question.suspension);
  const said = places.flatMap((place) => {
    const text = texts.answers[place.id];
    return text ? [`${place.label}, ${placeSays(place)}: ${text}`] : [];
  });
  const notes = [
    `Asked by phone: ${texts.fitted} now, ${texts.wanted} wanted${texts.lift ? `, lift ${texts.lift}` : ''}.`,
    ...(said.length > 0 ? ['Said of today’s gaps, not measured:', ...said] : []),
  ];
  const vehicle = question.vehicle ? VEHICLE_KIND_NAMES[question.vehicle] : 'Vehicle';
  const title = `${vehicle}: ${question.wanted.tire.size} wanted`.slice(0, MOST_TITLE);
  return {
    title,
    customer: '',
    document: lowgapFileSchema.parse({
      format: 'lowgap',
      version: 1,
      vehicle: {
        label: `${vehicle} on ${question.fitted.tire.size}`,
        vehicleId: newToken(),
        notes: notes.join('\n').slice(0, MOST_NOTES),
        ...(question.vehicle ? { kind: question.vehicle } : {}),
      },
      units: texts.units,
      corners: { [key]: corner },
      setup: { ...wantedSetup(question), alignment: 'aligned' },
    }),
  };
}
