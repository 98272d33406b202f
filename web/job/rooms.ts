import { baselineState } from '../baseline/room-state';
import { benchState } from '../bench/room-state';
import { finderState } from '../finder/room-state';
import { followUpState } from '../followup/room-state';
import { installState } from '../install/room-state';
import { intakeState } from '../intake/room-state';
import { planState } from '../plan/room-state';
import { stanceState } from '../stance/room-state';
import { surveyState } from '../survey/room-state';
import { testFitState } from '../testfit/room-state';
import type { StepRoom } from './next-step';

/** The rooms of a job in the order of the work, each with what it says of itself. */
export const ROOMS = [
  { name: 'intake', label: 'Intake', state: intakeState },
  { name: 'baseline', label: 'Baseline', state: baselineState },
  { name: 'survey', label: 'Survey', state: surveyState },
  { name: 'stance', label: 'Stance', state: stanceState },
  { name: 'bench', label: 'Bench', state: benchState },
  { name: 'finder', label: 'Finder', state: finderState },
  { name: 'plan', label: 'Plan', state: planState },
  { name: 'install', label: 'Install', state: installState },
  { name: 'testFit', label: 'Test fit', state: testFitState },
  { name: 'followUp', label: 'Follow-up', state: followUpState },
] as const;

export const ROOM_LABELS = Object.fromEntries(ROOMS.map(({ name, label }) => [name, label])) as Readonly<
  Record<StepRoom, string>
>;
