import type { CornerMotion } from '../motion/corner-motion';
import type { Mount } from '../motion/mount';
import { makePieceTree, type PieceTree } from '../obstacle/piece-tree';
import type { Envelope } from './envelope';
import { emptyCut, LeastGapSearch, type Cut } from './least-gap-search';
import { DEEP_GRID, ORACLE_GRID, plainSweep, type TravelStretch } from './plain-sweep';
import { PostureCells } from './posture-cells';
import { describeGap, type LeastGap } from './posture-gap';
import type { PreparedCorner, PreparedObstacle } from './prepare';

/**
 * A corner seen in the plane of axle line and radius: every obstacle in every posture of the envelope, ready to be
 * asked about any tire, wheel, offset and spacer. What was worked out for one is kept for the next.
 */
export class ClearSection {
  readonly #motion: CornerMotion;
  readonly #envelope: Envelope;
  readonly #bodyStands: boolean;
  readonly #cells = new Map<string, PostureCells>();
  readonly #cuts = new Map<PostureCells, WeakMap<PreparedObstacle['pieces'], Cut>>();
  readonly #search = new LeastGapSearch();

  constructor(motion: CornerMotion, envelope: Envelope) {
    this.#motion = motion;
    this.#envelope = envelope;
    const body = motion.mountPose('body', { travel: envelope.limits.ride, steer: 0 });
    this.#bodyStands = body.origin.every((v) => v === 0);
  }

  /** Least gap of every obstacle of `corner` (whose motion and envelope these are), in order. */
  leastGaps(corner: PreparedCorner, stretch?: TravelStretch): LeastGap[] {
    return corner.obstacles.map((obstacle) => this.leastGap(corner, obstacle, stretch));
  }

  leastGap(corner: PreparedCorner, obstacle: PreparedObstacle, stretch?: TravelStretch): LeastGap {
    const { droop, bump } = this.#envelope.limits;
    const over = stretch ?? { from: droop, to: bump };
    const cells = this.#cellsOf(obstacle.mount, over);
    const cut = this.#cutOf(cells, obstacle);
    const found = this.#search.run(cells, corner.rotor, obstacle.pieces, treeOf(obstacle), obstacle.insideWheel, cut);
    if (found.status !== 'solved') {
      const grid = found.status === 'deep' ? DEEP_GRID : ORACLE_GRID;
      return plainSweep({ ...corner, obstacles: [obstacle] }, over, grid)[0] as LeastGap;
    }
    const posture = cells.describe(found.stretch, found.t, found.u, found.v);
    return describeGap(corner, obstacle, posture, [found.x, found.y, found.z]);
  }

  /** Where the last search of these pieces over these postures ended. */
  #cutOf(cells: PostureCells, { pieces }: PreparedObstacle): Cut {
    const known = this.#cuts.get(cells) ?? new WeakMap<PreparedObstacle['pieces'], Cut>();
    this.#cuts.set(cells, known);
    const cut = known.get(pieces) ?? emptyCut();
    known.set(pieces, cut);
    return cut;
  }

  #cellsOf(mount: Mount, { from, to }: TravelStretch): PostureCells {
    // With the body where it was surveyed its things move as the frame's do.
    const as = mount === 'body' && this.#bodyStands ? 'frame' : mount;
    const key = `${as}:${from}:${to}`;
    const known = this.#cells.get(key);
    if (known) return known;
    const made = new PostureCells(this.#motion, this.#envelope, as, from, to);
    this.#cells.set(key, made);
    return made;
  }
}

const TREES = new WeakMap<PreparedObstacle['pieces'], PieceTree>();

/** The tree of an obstacle's pieces; made once for as long as the pieces live. */
function treeOf({ pieces }: PreparedObstacle): PieceTree {
  const known = TREES.get(pieces);
  if (known) return known;
  const made = makePieceTree(pieces);
  TREES.set(pieces, made);
  return made;
}
