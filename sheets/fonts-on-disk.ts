import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { PaperFonts } from './paper-fonts';

let read: PaperFonts | null = null;

/** The fonts as the package has them on disk: for the command line and tests. */
export function fontsOnDisk(): PaperFonts {
  const file = (name: string): Uint8Array =>
    new Uint8Array(readFileSync(createRequire(import.meta.url).resolve(`dejavu-fonts-ttf/ttf/${name}.ttf`)));
  return (read ??= { regular: file('DejaVuSans'), bold: file('DejaVuSans-Bold') });
}
