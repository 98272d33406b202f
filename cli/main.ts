import { Command, CommanderError } from 'commander';
import { evaluateCommand } from './evaluate';
import { findCommand, type FindCommandOptions } from './find';
import { leversCommand } from './levers';
import { cutCommand, type CutCommandOptions } from './cut';
import { envelopeCommand, type EnvelopeCommandOptions } from './envelope';
import { EXIT_FAULT, EXIT_INPUT, runCommand } from './outcome';
import { panelCommand, type PanelCommandOptions } from './panel';
import { orderCommand, planCommand, type OrderCommandOptions } from './plan';
import { poseCommand } from './pose';
import { backupCommand, restoreCommand, type RestoreCommandOptions, type ShopCommandOptions } from './shop';
import { scanCommand, type ScanCommandOptions } from './scan';
import { spreadCommand } from './spread';

const program = new Command('lowgap')
  .description('Low Gap on the command line: what the wheel well says about a tire, a wheel and a height.')
  .exitOverride();

program
  .command('evaluate')
  .description('least gap of every obstacle over the envelope, and the low gap, as JSON')
  .argument('<file>', 'a .lowgap.json file')
  .option('--postures', "add the wheel's 4 x 4 matrix in each obstacle's worst posture")
  .action((file: string, options: { postures?: boolean }) =>
    runCommand(() => evaluateCommand(file, { postures: options.postures === true })),
  );

program
  .command('pose')
  .description('4 x 4 matrix from the wheel frame to the corner frame, rows, mm')
  .argument('<file>', 'a .lowgap.json file')
  .requiredOption('--corner <key>', 'frontLeft, frontRight, rearLeft or rearRight')
  .requiredOption('--travel <mm>', 'height from the surveyed ride position, + = bump')
  .requiredOption('--steer <degrees>', '+ = vehicle left')
  .option('--cross <mm>', "the other wheel's travel less this one's, on a beam axle", '0')
  .action((file: string, options: { corner: string; travel: string; steer: string; cross: string }) =>
    runCommand(() => poseCommand(file, options)),
  );

program
  .command('spread')
  .description('how far off each gap may be: 5, 50 and 95 %, the chance of rub, and what to measure again, as JSON')
  .argument('<file>', 'a .lowgap.json file')
  .option('--draws <number>', 'how many wells are drawn', '1000')
  .option('--seed <number>', 'names the draws: the same seed gives the same answer', '1')
  .action((file: string, options: { draws: string; seed: string }) => runCommand(() => spreadCommand(file, options)));

program
  .command('levers')
  .description('for each thing that rubs, how much of each single change clears it and what else that upsets, as JSON')
  .argument('<file>', 'a .lowgap.json file')
  .action((file: string) => runCommand(() => leversCommand(file)));

program
  .command('backup')
  .description(
    'the whole shop of a running Low Gap as one file: jobs with their history, photos, catalog, wells, rates',
  )
  .argument('<file>', 'the .zip to write')
  .option('--at <address>', 'where Low Gap runs', 'http://127.0.0.1:4700')
  .option('--as <name>', 'who signs in, where people do; the password in LOWGAP_PASSWORD')
  .action((file: string, options: ShopCommandOptions) => runCommand(() => backupCommand(file, options)));

program
  .command('restore')
  .description(
    "brings a shop's file into a running Low Gap; says what would change and changes nothing unless --do says so",
  )
  .argument('<file>', 'the .zip to read')
  .option('--at <address>', 'where Low Gap runs', 'http://127.0.0.1:4700')
  .option('--as <name>', 'who signs in, where people do; the password in LOWGAP_PASSWORD')
  .option('--do <what>', 'add: what is not there; replace: and what differs', 'plan')
  .action((file: string, options: RestoreCommandOptions) => runCommand(() => restoreCommand(file, options)));

program
  .command('find')
  .description('which tires on which wheels clear, with what has to be changed, and why the others do not, as JSON')
  .argument('<file>', 'a .lowgap.json file')
  .option('--question <file>', "what to look for, as JSON; by default the file's own (docs/formats.md)")
  .option('--progress', 'say on standard error how far it is')
  .action((file: string, options: FindCommandOptions) => runCommand(() => findCommand(file, options)));

program
  .command('panel')
  .description('least margin over a sheet, and the line to cut along so that what is wanted is left, as JSON')
  .argument('<file>', 'a .lowgap.json file')
  .requiredOption('--corner <key>', 'frontLeft, frontRight, rearLeft or rearRight')
  .requiredOption('--obstacle <id>', 'a panel, an edge, points or a scan')
  .option('--required <mm>', "a gap to leave instead of the standard's")
  .option('--depth <mm>', 'how far back a panel made from an edge reaches')
  .action((file: string, options: PanelCommandOptions) => runCommand(() => panelCommand(file, options)));

program
  .command('cut')
  .description(
    'writes a sheet at full size to lay on the panel: its edge, the first cut, the cut, plumb and level marks',
  )
  .argument('<file>', 'a .lowgap.json file')
  .requiredOption('--corner <key>', 'frontLeft, frontRight, rearLeft or rearRight')
  .requiredOption('--obstacle <id>', 'a panel, an edge, points or a scan')
  .requiredOption('--out <sheet>', 'the sheet to write: .svg, .dxf (mm) or .pdf (pages at full size)')
  .option('--allowance <mm>', 'what the first cut leaves for a second', '5')
  .option('--flap <mm>', 'metal kept to be folded over: the line is then the fold, and the cut lies short of it', '0')
  .option('--paper <size>', 'of a .pdf: A4 or Letter', 'A4')
  .option('--mirrored', 'for the same panel on the other side')
  .action((file: string, options: CutCommandOptions) => runCommand(() => cutCommand(file, options)));

program
  .command('plan')
  .description('the least permanent and the cheapest plan that clears, the runner-up, or why there is none, as JSON')
  .argument('<file>', "a .lowgap.json file with a plan's question (docs/formats.md)")
  .action((file: string) => runCommand(() => planCommand(file)));

program
  .command('order')
  .description('writes the work order of the plan chosen in the file, or of the least permanent one')
  .argument('<file>', "a .lowgap.json file with a plan's question (docs/formats.md)")
  .requiredOption('--out <order>', 'the order to write: .pdf, or .csv for its parts')
  .option('--date <date>', 'the date on it')
  .option('--paper <size>', 'of a .pdf: A4 or Letter', 'A4')
  .action((file: string, options: OrderCommandOptions) => runCommand(() => orderCommand(file, options)));

program
  .command('envelope')
  .description('writes the space that tire and wheel sweep as a closed mesh')
  .argument('<file>', 'a .lowgap.json file')
  .requiredOption('--corner <key>', 'frontLeft, frontRight, rearLeft or rearRight')
  .requiredOption('--out <mesh>', 'the mesh to write: .stl (mm) or .glb (glTF, metres)')
  .option('--edge <mm>', 'about how long the sides of its triangles are', '30')
  .action((file: string, options: EnvelopeCommandOptions) => runCommand(() => envelopeCommand(file, options)));

program
  .command('scan')
  .description("adds a scan's named parts to a corner's obstacles and writes the new file")
  .argument('<file>', 'a .lowgap.json file')
  .argument('<scan>', 'a .ply, .obj, .stl or .xyz file')
  .requiredOption('--corner <key>', 'frontLeft, frontRight, rearLeft or rearRight')
  .requiredOption('--plan <file>', 'JSON: unit, points to align by, hubFace, parts (docs/formats.md)')
  .requiredOption('--out <file>', 'the .lowgap.json file to write')
  .action((file: string, scan: string, options: ScanCommandOptions) =>
    runCommand(() => scanCommand(file, scan, options)),
  );

try {
  await program.parseAsync(process.argv);
} catch (error) {
  // Commander has already said what was wrong with the words; asking for help is no error.
  if (!(error instanceof CommanderError)) {
    process.stderr.write(`lowgap: a fault of ours: ${error instanceof Error ? error.message : String(error)}\n`);
    process.exitCode = EXIT_FAULT;
  } else {
    process.exitCode = error.exitCode === 0 ? 0 : EXIT_INPUT;
  }
}
