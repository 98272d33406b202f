/** Pictures that are kept: by their first bytes, whatever their sender calls them. */
import { z } from 'zod';

export const PICTURE_TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
export type PictureType = (typeof PICTURE_TYPES)[number];

export const pictureTypeSchema = z.enum(PICTURE_TYPES);

/** Most bytes of one: a downscaled photo is far smaller. */
export const MOST_PICTURE_BYTES = 4_000_000;

const text = (b: Uint8Array, from: number, to: number): string => String.fromCharCode(...b.subarray(from, to));

/** First bytes of the picture formats a browser makes. */
const SIGNATURES: Readonly<Record<PictureType, (b: Uint8Array) => boolean>> = {
  'image/jpeg': (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff,
  'image/png': (b) => b[0] === 0x89 && b[1] === 0x50 && b[2] === 0x4e && b[3] === 0x47,
  'image/webp': (b) => text(b, 0, 4) === 'RIFF' && text(b, 8, 12) === 'WEBP',
};

/** null: no picture of a kind that is kept. */
export const pictureTypeOf = (content: Uint8Array): PictureType | null =>
  PICTURE_TYPES.find((type) => SIGNATURES[type](content)) ?? null;
