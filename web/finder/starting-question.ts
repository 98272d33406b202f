import type { FinderQuestionEntry } from '@/contracts/finder';
import type { LowgapFile } from '@/contracts/lowgap-file';
import { fittedAsSetup } from '@/core/2-vehicle/setup/setup';
import { attempt } from '@/core/1-base/problem';
import { tireSection } from '@/core/2-vehicle/tire/section';
import { wheelOffsetMm } from '@/core/2-vehicle/wheel/rim';

/** mm beyond the fitted tire's diameter that are looked at, to either side. */
const TALLER_MM = 110;
const LOWER_MM = 15;

/** Offsets about the present one. */
const OFFSETS_MM = { less: 30, more: 25, step: 5 };

/** What a job most likely wants to know: what its customer allows, about the wheel it has. */
export function startingQuestion(file: LowgapFile): FinderQuestionEntry {
  const [corner] = Object.values(file.corners);
  const setup = file.setup ?? (corner ? fittedAsSetup(corner.fitted) : null);
  const { diameterIn = 17, widthIn = 8 } = setup?.wheel ?? {};
  const offset = setup ? attempt(() => wheelOffsetMm(setup.wheel)) : null;
  const offsetMm = offset?.ok ? 5 * Math.round(offset.value / 5) : 0;
  const section = corner ? attempt(() => tireSection(corner.fitted.tire, corner.fitted.wheel.widthIn)) : null;
  const diameterMm = section?.ok ? Math.round(section.value.diameterMm) : 780;
  const allowed = file.intake?.allowed ?? ['unbolt', 'reroute'];
  const may = (change: (typeof allowed)[number], mm: number): number => (allowed.includes(change) ? mm : 0);
  return {
    fit: 'allRound',
    tires: { from: 'common', leastDiameterMm: diameterMm - LOWER_MM, mostDiameterMm: diameterMm + TALLER_MM },
    wheels: {
      from: 'ranges',
      diametersIn: [diameterIn],
      widthsIn: [widthIn, widthIn + 0.5, widthIn + 1],
      offsetMm: { from: offsetMm - OFFSETS_MM.less, to: offsetMm + OFFSETS_MM.more, step: OFFSETS_MM.step },
    },
    spacers: [],
    ...(allowed.includes('lift') ? { lift: { kind: 'spring', amountsMm: [0, 25, 50] } } : {}),
    allowed: {
      unbolt: allowed.includes('unbolt'),
      rerouteMm: may('reroute', 30),
      tuckLinerMm: may('reroute', 15),
      trimPlasticMm: may('trimPlastic', 40),
      foldLipMm: may('foldLip', 15),
      cutSheetMetalMm: may('cutSheetMetal', 30),
      bodyMountMm: may('bodyMount', 30),
      bumpStopsMm: allowed.includes('bumpStop') ? [20] : [],
      steeringStopsDeg: allowed.includes('steeringStop') ? [3] : [],
      axleShiftsMm: [],
    },
    constraints: { rimOffMostIn: 1.5 },
  };
}
