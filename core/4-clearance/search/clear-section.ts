import type { CornerMotion } from '../../2-vehicle/motion/corner-motion';
import type { Carriage } from '../../2-vehicle/motion/mount';
import { makePieceTree, type PieceTree } from '../../3-survey/shape/piece-tree';
import { otherLimitsOf, type Envelope } from '../envelope/envelope';
import { otherRange } from '../../2-vehicle/motion/axle-stops';
import { place } from '../../1-base/geometry/pose';
import { emptyCut, LeastGapSearch, type Cut, type Met, type SearchAnswer } from './least-gap-search';
import { sweptGap, wholeStretch, type TravelStretch } from '../oracle/plain-sweep';
import { OTHER_STEPS, PostureCells, STEER_STEPS, TRAVEL_STEPS } from './posture-cells';
import { PostureClip } from './posture-clip';
import { describeGap, placeGap, type LeastGap } from '../oracle/posture-gap';
import { CarrierStates, LockTable, type PostureRange } from './posture-table';
import type { PreparedCorner } from '../case/prepared-corner';
import type { PlacedThing } from '../../3-survey/prepared/prepared-obstacle';

/** Where the least of some pieces was met last, under whatever alignment: a guess for the next search. */
export type MetPlaces = WeakMap<PlacedThing['pieces'], Met>;

/**
 * A corner's obstacles seen in the plane of axle line and radius in every posture of a range, under one alignment: what
 * is worked out for one tire, envelope, stop or lock serves all others.
 */
export class CornerImages {
  readonly range: PostureRange;
  readonly states: CarrierStates;
  /** The widest locks: those of the motion the images were made with. */
  readonly locks: LockTable;
  readonly search = new LeastGapSearch();
  readonly met: MetPlaces;
  readonly #cells = new Map<Carriage, PostureCells>();
  readonly #cuts = new Map<PostureCells, WeakMap<PlacedThing['pieces'], Cut>>();
  readonly #bodyStands: boolean;

  /** `motion` has the widest locks that will be asked about; `met` is what is known from other alignments. */
  constructor(motion: CornerMotion, range: PostureRange, met: MetPlaces = new WeakMap()) {
    this.met = met;
    this.range = range;
    this.states = new CarrierStates(motion, range);
    this.locks = new LockTable(this.states);
    this.#bodyStands = motion.mountFrom(this.states.at(0.5, 0.5), 'body', 0).origin.every((v) => v === 0);
  }

  cellsOf(mount: Carriage): PostureCells {
    const as = this.#movesAs(mount);
    const known = this.#cells.get(as);
    if (known) return known;
    const made = new PostureCells(this.states, this.locks, as);
    this.#cells.set(as, made);
    return made;
  }

  hasCellsOf(mount: Carriage): boolean {
    return this.#cells.has(this.#movesAs(mount));
  }

  /** With the body where it was surveyed its things move as the frame's do. */
  #movesAs(mount: Carriage): Carriage {
    return mount === 'body' && this.#bodyStands ? 'frame' : mount;
  }

  /** Where the last search of these pieces ended. */
  cutOf(cells: PostureCells, { pieces }: PlacedThing): Cut {
    const known = this.#cuts.get(cells) ?? new WeakMap<PlacedThing['pieces'], Cut>();
    this.#cuts.set(cells, known);
    const cut = known.get(pieces) ?? emptyCut();
    known.set(pieces, cut);
    return cut;
  }
}

/** The clear section of a corner under an envelope: least gaps of any tire, wheel, offset and spacer. */
export class ClearSection {
  readonly #motion: CornerMotion;
  readonly #envelope: Envelope;
  readonly #images: CornerImages;
  readonly #clips = new Map<string, PostureClip>();
  readonly #clipByStretch = new WeakMap<TravelStretch, PostureClip>();

  /** `images` hold the envelope's postures; by default just these. */
  constructor(motion: CornerMotion, envelope: Envelope, images?: CornerImages) {
    this.#motion = motion;
    this.#envelope = envelope;
    this.#images = images ?? new CornerImages(motion, wholeStretch(envelope));
  }

  /** Least gap of every obstacle of `corner` (whose motion and envelope these are), in order. */
  leastGaps(corner: PreparedCorner, stretch?: TravelStretch): LeastGap[] {
    return corner.obstacles.map((obstacle) => this.leastGap(corner, obstacle, stretch));
  }

  leastGap(corner: PreparedCorner, obstacle: PlacedThing, stretch?: TravelStretch): LeastGap {
    const over = stretch ?? wholeStretch(this.#envelope);
    const found = this.#search(corner, obstacle, over);
    if (found.status === 'stopped') {
      return sweptGap(corner, obstacle, over);
    }
    const posture = this.#images.cellsOf(obstacle.mount).describe(found.t, found.u, found.v);
    return describeGap(corner, obstacle, posture, [found.x, found.y, found.z]);
  }

  #search(
    { rotor }: PreparedCorner,
    obstacle: PlacedThing,
    over: TravelStretch,
    ceiling = Infinity,
    anyWillDo = false,
  ): SearchAnswer {
    const { pieces, insideWheel, mount } = obstacle;
    const { search, met } = this.#images;
    const cells = this.#images.cellsOf(mount);
    const found = search.run(
      {
        cells,
        clip: this.#clipOf(over),
        rotor,
        pieces,
        tree: treeOf(obstacle),
        insideWheel,
        cut: this.#images.cutOf(cells, obstacle),
        guess: met.get(pieces),
      },
      ceiling,
      anyWillDo,
    );
    if (found.distance < ceiling) met.set(pieces, found);
    return found;
  }

  /**
   * The least gap where it is under `ceilingMm`, else null: proving that nothing is so near costs far less than finding
   * what is nearest.
   */
  gapBelow(corner: PreparedCorner, obstacle: PlacedThing, over: TravelStretch, ceilingMm: number): number | null {
    return this.#below(corner, obstacle, over, ceilingMm, false);
  }

  /** Whether anything comes nearer than `ceilingMm`: cheaper still, most of all where it does in the posture met last. */
  comesBelow(corner: PreparedCorner, obstacle: PlacedThing, over: TravelStretch, ceilingMm: number): boolean {
    // Where there are images the search looks there first itself, for less.
    if (!this.#images.hasCellsOf(obstacle.mount) && this.gapMet(corner, obstacle, over) < ceilingMm) return true;
    return this.#below(corner, obstacle, over, ceilingMm, true) !== null;
  }

  #below(
    corner: PreparedCorner,
    obstacle: PlacedThing,
    over: TravelStretch,
    ceilingMm: number,
    anyWillDo: boolean,
  ): number | null {
    const thickMm = obstacle.radiusMm + obstacle.complianceMm;
    const ceiling = ceilingMm + thickMm;
    const found = this.#search(corner, obstacle, over, ceiling, anyWillDo);
    if (found.status === 'stopped') {
      const { gapMm } = sweptGap(corner, obstacle, over);
      return gapMm < ceilingMm ? gapMm : null;
    }
    return found.distance < ceiling ? found.distance - thickMm : null;
  }

  /**
   * What the least gap is not above: the gap in the posture and at the place that the last search met, moved into the envelope; by
   * the linkage itself, without images. Infinity before any search.
   */
  gapMet({ rotor }: PreparedCorner, obstacle: PlacedThing, over: TravelStretch): number {
    const met = this.#images.met.get(obstacle.pieces);
    if (!met) return Infinity;
    const motion = this.#motion;
    const envelope = this.#envelope;
    const { states, locks } = this.#images;
    const within = (x: number, { low, high }: { low: number; high: number }): number =>
      Math.min(high, Math.max(low, x));
    const shareT = met.t / TRAVEL_STEPS;
    const travel = within(states.travelAt(shareT), { low: over.from, high: over.to });
    const other = within(states.travelAt(met.v / OTHER_STEPS), otherRange(otherLimitsOf(envelope, over.bump), travel));
    const cross = motion.crossArticulates ? other - travel : 0;
    const state = motion.carrierAt(travel, cross);
    const { left, right } = locks.at(shareT);
    const steer = within(
      (met.u / STEER_STEPS) * (left + right) - right,
      envelope.steerRange(travel, motion.locksAt(state)),
    );
    const point = place(motion.mountFrom(state, obstacle.mount, steer), [met.x, met.y, met.z]);
    return placeGap(rotor, obstacle, motion.wheelFrom(state, steer), point);
  }

  #clipOf(over: TravelStretch): PostureClip {
    const known = this.#clipByStretch.get(over);
    if (known) return known;
    const clip = this.#clipFor(over);
    this.#clipByStretch.set(over, clip);
    return clip;
  }

  #clipFor(over: TravelStretch): PostureClip {
    const key = `${over.from}:${over.to}:${over.bump ?? ''}`;
    const known = this.#clips.get(key);
    if (known) return known;
    const { states, locks } = this.#images;
    const made = new PostureClip(states, locks, this.#motion, this.#envelope, over);
    this.#clips.set(key, made);
    return made;
  }
}

const TREES = new WeakMap<PlacedThing['pieces'], PieceTree>();

/** The tree of an obstacle's pieces; made once for as long as the pieces live. */
function treeOf({ pieces }: PlacedThing): PieceTree {
  const known = TREES.get(pieces);
  if (known) return known;
  const made = makePieceTree(pieces);
  TREES.set(pieces, made);
  return made;
}
