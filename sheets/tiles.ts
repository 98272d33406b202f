import { PAPERS, type Paper } from './paper';
import type { SheetBox } from './sheet-drawing';

/** mm no printer reaches, by which neighbouring pages show the same, and kept free beside the drawing for what every page says. */
export const BORDER_MM = 10;
export const OVERLAP_MM = 10;
export const HEAD_MM = 17;
export const SIDE_MM = 9;

/** How a paper is laid, and what of it the drawing gets, mm from its upper left corner. */
export interface Page {
  readonly paper: Paper;
  readonly landscape: boolean;
  readonly width: number;
  readonly height: number;
  readonly shownLeft: number;
  readonly shownTop: number;
  readonly shownWidth: number;
  readonly shownHeight: number;
}

/** Where a page shows the drawing: its lower left corner, mm, and its place among the pages; rows from the top. */
export interface Tile {
  readonly left: number;
  readonly bottom: number;
  readonly row: number;
  readonly column: number;
}

/** Pages side by side that cover all of a drawing, none left out. */
export interface Tiling {
  readonly page: Page;
  readonly rows: number;
  readonly columns: number;
  readonly tiles: readonly Tile[];
}

export function pageOf(paper: Paper, landscape: boolean): Page {
  const { width: short, height: long } = PAPERS[paper];
  const [width, height] = landscape ? [long, short] : [short, long];
  return {
    paper,
    landscape,
    width,
    height,
    shownLeft: BORDER_MM + SIDE_MM,
    shownTop: BORDER_MM + HEAD_MM,
    shownWidth: width - 2 * BORDER_MM - SIDE_MM,
    shownHeight: height - 2 * BORDER_MM - HEAD_MM,
  };
}

/** The way of laying the paper that takes the fewest pages, upright where both take as many; the drawing stands in their middle. */
export function tilingOf(box: SheetBox, paper: Paper): Tiling {
  const [upright, across] = [false, true].map((landscape) => covering(box, pageOf(paper, landscape)));
  return across!.tiles.length < upright!.tiles.length ? across! : upright!;
}

function covering(box: SheetBox, page: Page): Tiling {
  const [stepX, stepY] = [page.shownWidth - OVERLAP_MM, page.shownHeight - OVERLAP_MM];
  const columns = Math.max(1, Math.ceil((box.width - OVERLAP_MM) / stepX));
  const rows = Math.max(1, Math.ceil((box.height - OVERLAP_MM) / stepY));
  const left = box.left - (columns * stepX + OVERLAP_MM - box.width) / 2;
  const top = box.bottom + box.height + (rows * stepY + OVERLAP_MM - box.height) / 2;
  const tiles = Array.from({ length: rows * columns }, (_, i): Tile => {
    const [row, column] = [Math.floor(i / columns), i % columns];
    return { left: left + column * stepX, bottom: top - page.shownHeight - row * stepY, row, column };
  });
  return { page, rows, columns, tiles };
}

/** A mark where pages are laid on each other: the same name on each page that has it. Place on the drawing, mm. */
export interface JoinMark {
  readonly x: number;
  readonly y: number;
  readonly name: string;
}

export const marksOf = ({ page }: Tiling, { left, bottom, row, column }: Tile): JoinMark[] =>
  [0, 1].flatMap((right) =>
    [0, 1].map((below) => ({
      x: left + (right ? page.shownWidth - OVERLAP_MM / 2 : OVERLAP_MM / 2),
      y: bottom + (below ? OVERLAP_MM / 2 : page.shownHeight - OVERLAP_MM / 2),
      name: `${String.fromCharCode(65 + column + right)}${row + below + 1}`,
    })),
  );
