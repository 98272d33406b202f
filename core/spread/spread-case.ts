import { setupForCorner, type CaseDescription } from '../clearance/description';
import { describedCorner, describedCorners, prepareDescribed } from '../clearance/evaluate';
import { SectionShelf } from '../clearance/section-shelf';
import { STANDARDS } from '../clearance/standard';
import { cornerSpread, type CornerSpread, type SpreadOptions } from './spread';

/** The spread of every described corner. @throws ProblemError for anything the engine cannot take. */
export const spreadCase = (
  description: CaseDescription,
  options: Omit<SpreadOptions, 'drawn'> = {},
  shelf = new SectionShelf(),
): CornerSpread[] =>
  describedCorners(description).map((key) => {
    const fit = { corner: describedCorner(description, key), setup: setupForCorner(description, key) };
    const corner = prepareDescribed(description, key, shelf);
    const finder = shelf.section(corner, fit.corner, fit.setup);
    return cornerSpread(
      key,
      fit,
      description.envelope,
      STANDARDS[description.standard],
      { ...options, drawn: description.drawnEnvelope },
      { corner, finder },
    );
  });
