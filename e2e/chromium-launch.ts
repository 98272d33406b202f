const COMMON = [
  '--no-sandbox',
  '--disable-background-networking',
  '--disable-component-update',
  '--no-first-run',
  '--disable-sync',
];
const executablePath = process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium';

/**
 * Debian's Chromium, with everything off that would look for a network. Drawn by the processor: where there is no graphics
 * card, a software one takes most of every frame.
 */
export const CHROMIUM_LAUNCH = { executablePath, args: [...COMMON, '--disable-gpu'] };

/** The same with a graphics card in software: for what is drawn in space. */
export const CHROMIUM_3D = {
  executablePath,
  args: [...COMMON, '--use-angle=swiftshader', '--enable-unsafe-swiftshader'],
};
