/** Debian's Chromium, with everything off that would look for a network. */
export const CHROMIUM_LAUNCH = {
  executablePath: process.env['CHROMIUM_PATH'] ?? '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
    '--disable-background-networking',
    '--disable-component-update',
    '--no-first-run',
    '--disable-sync',
  ],
};
