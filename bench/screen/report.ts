/** What `npm run bench:screen` found; kept in found.json. */
export interface ScreenFigure {
  readonly name: string;
  readonly unit: string;
  readonly count: number;
  readonly median: number;
  readonly p95: number;
  readonly most: number;
  readonly goal: number | null;
  readonly met: boolean | null;
  /** 95 of 100 in something that was measured beside it. */
  readonly ratio?: { readonly in: string; readonly p95: number; readonly goal: number; readonly met: boolean };
}

export interface ScreenFound {
  readonly machine: string;
  readonly figures: readonly ScreenFigure[];
}

export const SCREEN_HEADING = '## The bench room in a browser';

/** Its part of docs/benchmarks.md, from a blank line on. */
export function screenReport({ machine, figures }: ScreenFound): string {
  const rows = figures.map((f) => {
    const goal = f.goal === null ? '' : `${f.goal} ${f.unit}: ${f.met ? 'met' : 'missed'}`;
    const ratio = f.ratio ? `${f.ratio.p95.toFixed(1)} ${f.ratio.in}` : '';
    const reach = f.ratio ? `${f.ratio.goal}: ${f.ratio.met ? 'met' : 'missed'}` : goal;
    return `| ${f.name} | ${f.count} | ${f.median.toFixed(0)} ${f.unit} | ${f.p95.toFixed(0)} ${f.unit} | ${f.most.toFixed(0)} ${f.unit} | ${ratio} | ${reach} |`;
  });
  return `
${SCREEN_HEADING}

As measured by \`npm run bench:screen -- --write\` (after a build) on ${machine}. The same 40 obstacles of 20 places; the clear
section is open. A move counts from the browser's own time of the key or pointer event to the paint that shows its verdict or a
newer one's; while a hand drags on, moves that are overtaken before they are asked are not counted. In every run each move asked
was answered by itself or a newer one, no verdict was followed by an older one, and the settled verdict was the core's. An empty
repaint is a key on the same page that changes one number and nothing else; ratios are 95 of 100 to its middle, in the same run. A
frame is a sixtieth of a second. The browser slows the page's own thread, not its workers.

| what | moves | median | 95 of 100 | most | 95 of 100, as a ratio | reach |
| --- | --- | --- | --- | --- | --- | --- |
${rows.join('\n')}

Why the reaches are missed: between a key and its verdict the page is drawn twice, first the control that was moved, then the verdict with its
ladder of forty rungs, and each drawing, in software, takes several times an empty one; that is most of it. A picture is asked for beside the verdict
and shares the two cores with it, with the page and with the server that saves; a beam axle's region is met in many more postures than a wishbone's. Until the first verdict the page runs the framework, the schemas and the shell once, all cold, while the worker, cold as well, works on the other core.
`;
}
