import { describe, expect, test } from '@jest/globals';
import { createCanvas } from '@napi-rs/canvas';
import { edgeSeen, grayOf } from './sharpness';

const SIZE = { widthPx: 400, heightPx: 300 } as const;
const MIDDLE = [200, 150] as const;
const MARKS = [0, 60, 120, 180, 240, 300].map(
  (deg) => [200 + 100 * Math.cos((deg * Math.PI) / 180), 150 + 100 * Math.sin((deg * Math.PI) / 180)] as const,
);

/** A disc of metal in rubber, smeared by a general-purpose drawing library. */
function disc(blurPx: number, metal = '#cccccc', rubber = '#333333') {
  const canvas = createCanvas(SIZE.widthPx, SIZE.heightPx);
  const ctx = canvas.getContext('2d');
  if (blurPx > 0) ctx.filter = `blur(${blurPx}px)`;
  ctx.fillStyle = rubber;
  ctx.fillRect(-50, -50, 500, 400);
  ctx.fillStyle = metal;
  ctx.beginPath();
  ctx.arc(...MIDDLE, 100, 0, 2 * Math.PI);
  ctx.fill();
  return { ...SIZE, gray: grayOf(ctx.getImageData(0, 0, SIZE.widthPx, SIZE.heightPx).data) };
}

describe('how sharp the edge under marks is', () => {
  // An edge blurred by a Gaussian of sigma s is steepest with 1 / (s sqrt(2 pi)) of its change a pixel (calculus).
  test.each([3, 5, 8])('a rim smeared by a Gaussian of %d pixels is smeared over sqrt(2 pi) times as many', (sigma) => {
    const { risePx, share } = edgeSeen(disc(sigma), MIDDLE, MARKS);
    expect(share).toBe(1);
    // The window about a mark cuts off the tails of the widest.
    expect(risePx! / (sigma * Math.sqrt(2 * Math.PI))).toBeGreaterThan(0.75);
    expect(risePx! / (sigma * Math.sqrt(2 * Math.PI))).toBeLessThan(1.15);
  });

  test('a sharp one over a pixel or two', () => {
    expect(edgeSeen(disc(0), MIDDLE, MARKS).risePx).toBeLessThan(3);
  });

  test('marks a little beside the edge find it, marks far off and a picture without one do not', () => {
    const beside = MARKS.map(([x, y]) => [x + 4, y - 3] as const);
    expect(edgeSeen(disc(0), MIDDLE, beside).share).toBe(1);
    const wide = MARKS.map(([x, y]) => [200 + 1.4 * (x - 200), 150 + 1.4 * (y - 150)] as const);
    expect(edgeSeen(disc(0), MIDDLE, wide)).toEqual({ risePx: null, share: 0 });
    expect(edgeSeen(disc(0, '#404040', '#444444'), MIDDLE, MARKS).share).toBe(0);
    expect(edgeSeen(disc(0), MIDDLE, [])).toEqual({ risePx: null, share: 0 });
  });

  // ITU-R BT.601: green counts most, blue least.
  test('brightness is that of the eye', () => {
    expect([...grayOf([255, 0, 0, 255, 0, 255, 0, 255, 0, 0, 255, 255, 255, 255, 255, 255])]).toEqual([
      76, 150, 29, 255,
    ]);
  });
});
