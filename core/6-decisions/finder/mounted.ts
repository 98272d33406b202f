import { prepareRotor, type Rotor } from '../../2-vehicle/setup/rotor';
import { allowancesOf, sectionAllowance, type TireAllowances } from '../../2-vehicle/tire/allowance';
import { tireSection, type TireSection } from '../../2-vehicle/tire/section';
import type { TireChoice } from './question';
import { sectionDiscs, type SectionDiscs } from './section-discs';
import type { MountedSection } from './stage';

/** A tire on a rim of one width; its shapes are worked out when they are first asked for. */
export class Mounted implements MountedSection {
  readonly #tire: TireChoice;
  readonly #rimDiameterIn: number;
  readonly #rimWidthIn: number;
  readonly #allowances: TireAllowances | undefined;
  /** As it stands on the rim, without what it may be beyond that. */
  readonly section: TireSection;
  #rotor: Rotor | null = null;
  #free: SectionDiscs | null = null;
  #ground: SectionDiscs | null = null;

  /** @throws ProblemError where tire and rim leave no sidewall. */
  constructor(tire: TireChoice, rimDiameterIn: number, rimWidthIn: number, allowances?: TireAllowances) {
    this.#tire = tire;
    this.#rimDiameterIn = rimDiameterIn;
    this.#rimWidthIn = rimWidthIn;
    this.#allowances = allowancesOf(tire, allowances);
    this.section = tireSection(tire, rimWidthIn);
  }

  get rotor(): Rotor {
    return (this.#rotor ??= prepareRotor(
      {
        tire: this.#tire,
        wheel: { diameterIn: this.#rimDiameterIn, widthIn: this.#rimWidthIn, offsetMm: 0 },
        spacerMm: 0,
      },
      '',
      this.#allowances,
    ));
  }

  get free(): SectionDiscs {
    return (this.#free ??= sectionDiscs(this.#widened().outline));
  }

  /** The free section with what the tire may be beyond it. */
  #widened(): TireSection {
    if (!this.#allowances) return this.section;
    return tireSection(this.#tire, this.#rimWidthIn, '', sectionAllowance(this.#allowances));
  }

  get ground(): SectionDiscs {
    return (this.#ground ??= sectionDiscs(this.rotor.loaded.outline));
  }
}
