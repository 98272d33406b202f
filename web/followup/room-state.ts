import type { JobStore } from '../stores/job';

/** What the rooms' bar says of the follow-up. */
export function followUpState({ document }: JobStore): string {
  const { handedOver, due = [] } = document?.followUp ?? {};
  const left = due.filter(({ doneOn }) => doneOn === undefined).length;
  return handedOver ? (left ? `${left} due` : 'all done') : 'not yet';
}
