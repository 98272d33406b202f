import {
  countParts,
  fittedAsSetup,
  type CornerOverrides,
  type Setup,
  type SetupDescription,
} from '../../2-vehicle/setup/setup';
import type { CornerKey } from '../../2-vehicle/setup/corner-key';
import type { CornerDescription } from '../../3-survey/description/corner-description';
import type { DrawnRow, EnvelopeKind } from '../envelope/envelope-kind';
import type { StandardId } from './standard';

/**
 * A whole case before it is checked: the same shapes, names and units as the file contract (mm, degrees, inches where the
 * trade names them so). docs/formats.md.
 */
export interface CaseDescription {
  readonly corners: Readonly<Partial<Record<CornerKey, CornerDescription>>>;
  readonly setup?: (SetupDescription & { readonly corners?: CornerOverrides | undefined }) | undefined;
  /** On the vehicle already by a job before, where that is not what it was surveyed with: work is what differs from it. */
  readonly installed?: CaseDescription['setup'];
  readonly envelope: EnvelopeKind;
  readonly drawnEnvelope?: readonly DrawnRow[] | undefined;
  readonly standard: StandardId;
}

/** The setup of one corner as entered: its own overrides over the common one; without a setup, what is fitted. */
export function enteredSetupFor(description: CaseDescription, key: CornerKey): SetupDescription {
  const corner = description.corners[key];
  if (!description.setup) {
    if (!corner) throw new RangeError(`corner ${key} is not described`);
    return fittedAsSetup(corner.fitted);
  }
  const { corners, ...common } = description.setup;
  const own = Object.fromEntries(Object.entries(corners?.[key] ?? {}).filter(([, value]) => value !== undefined));
  return { ...common, ...own };
}

/** The setup of one corner with its parts counted. */
export const setupForCorner = (description: CaseDescription, key: CornerKey): Setup =>
  countParts(enteredSetupFor(description, key));
