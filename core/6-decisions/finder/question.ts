/** What is asked of the finder, as entered: the same names and units as the file contract. docs/formats.md. */
import type { TireKind } from '../../2-vehicle/tire/tire-kind';
import type { TireMaking } from '../../2-vehicle/tire/allowance';
import type { TireDescription } from '../../2-vehicle/tire/dimensions';
import type { WheelDescription } from '../../2-vehicle/wheel/rim';

/** Even steps of a number, both ends included. */
export interface Span {
  readonly from: number;
  readonly to: number;
  readonly step: number;
}

export interface TireChoice extends TireDescription, TireMaking {
  readonly label?: string | undefined;
  /** By default those in the size's own text. */
  readonly loadIndex?: number | undefined;
  readonly speedSymbol?: string | undefined;
  readonly measuringRimIn?: number | undefined;
  /** Of one tire, in minor units of the shop's money. */
  readonly priceMinor?: number | undefined;
}

export interface WheelChoice extends WheelDescription {
  readonly label?: string | undefined;
  readonly boreMm?: number | undefined;
  readonly boltPattern?: string | undefined;
  readonly loadKg?: number | undefined;
  readonly priceMinor?: number | undefined;
}

export interface SpacerChoice {
  readonly thicknessMm: number;
  readonly type?: 'slipOn' | 'boltOn' | undefined;
  readonly label?: string | undefined;
  readonly boreMm?: number | undefined;
  readonly boltPattern?: string | undefined;
  readonly priceMinor?: number | undefined;
}

/** Tires by name, sizes in use between two diameters, or every diameter and width of a range (width as mounted). */
export type TireField =
  | { readonly from: 'list'; readonly list: readonly TireChoice[] }
  | {
      readonly from: 'common';
      readonly leastDiameterMm: number;
      readonly mostDiameterMm: number;
      /** What they are taken to be made for: tread and shoulder; absent: as usual. */
      readonly kind?: TireKind | undefined;
    }
  | {
      readonly from: 'ranges';
      readonly diameterMm: Span;
      readonly widthMm: Span;
      readonly kind?: TireKind | undefined;
    };

export type WheelField =
  | { readonly from: 'list'; readonly list: readonly WheelChoice[] }
  | {
      readonly from: 'ranges';
      readonly diametersIn: readonly number[];
      readonly widthsIn: readonly number[];
      readonly offsetMm: Span;
    };

export const LIFT_KINDS = ['spring', 'strutTop', 'linkageDrop', 'body'] as const;
export type LiftKind = (typeof LIFT_KINDS)[number];

/** Changes that may be made where the tire would rub; amounts are the most allowed, 0 or false: not at all. */
export interface AllowedChanges {
  readonly unbolt: boolean;
  readonly rerouteMm: number;
  readonly tuckLinerMm: number;
  readonly trimPlasticMm: number;
  readonly foldLipMm: number;
  readonly cutSheetMetalMm: number;
  readonly bodyMountMm: number;
  /** Each tried beside none: longer bump stops (at the wheel), less lock to both sides, the axle forward (- back). */
  readonly bumpStopsMm: readonly number[];
  readonly steeringStopsDeg: readonly number[];
  readonly axleShiftsMm: readonly number[];
}

export interface Constraints {
  readonly loadIndexLeast?: number | undefined;
  readonly speedSymbolLeast?: string | undefined;
  /** How far a rim may be from a tire's measuring rim, in. */
  readonly rimOffMostIn?: number | undefined;
  /** Smallest wheel that goes over the brake, in; what was surveyed inside the wheel is measured anyway. */
  readonly rimDiameterLeastIn?: number | undefined;
  readonly boltPattern?: string | undefined;
  readonly hubBoreMm?: number | undefined;
  /** Outer sidewall beyond the surveyed fender edge at the top: - tucked, + poke. */
  readonly pokeLeastMm?: number | undefined;
  readonly pokeMostMm?: number | undefined;
  /** The tire covered by the fender from 30 degrees ahead to 50 behind the top. */
  readonly covered?: boolean | undefined;
  readonly groundClearance?:
    | {
        /** With the tire now fitted, at the surveyed height. */
        readonly nowMm: number;
        readonly leastMm: number;
        /** Whether the lowest thing hangs from the axle, or from frame or body (which a spring lifts too). */
        readonly at: 'frame' | 'axle';
      }
    | undefined;
  /** Lawful speedometer, which shows too much by this share with the fitted tire. */
  readonly speedometerErrorShare?: number | undefined;
  /** Of the whole set with what has to be changed, minor units. */
  readonly budgetMinor?: number | undefined;
  readonly chain?: { readonly treadMm: number; readonly sidewallMm: number } | undefined;
  /** A spare of the same size is bought too and has to go where it is carried. */
  readonly spare?: { readonly mostDiameterMm: number; readonly mostWidthMm: number } | undefined;
  /** Most by which front and rear diameters may differ, share of the larger. */
  readonly staggerMostShare?: number | undefined;
}

/** Prices of changes in minor units, for one corner each. */
export type ChangePrices = Readonly<Partial<Record<string, number>>>;

export const FITS = ['allRound', 'front', 'rear', 'staggered'] as const;
export type Fit = (typeof FITS)[number];

export interface FinderQuestion {
  readonly fit: Fit;
  readonly tires: TireField;
  readonly wheels: WheelField;
  readonly spacers: readonly SpacerChoice[];
  /** Ride-height changes to try; the setup's own height alone where there is none. */
  readonly lift?: { readonly kind: LiftKind; readonly amountsMm: readonly number[] } | undefined;
  readonly allowed: AllowedChanges;
  readonly constraints: Constraints;
  readonly prices?: ChangePrices | undefined;
}

export const NOTHING_ALLOWED: AllowedChanges = {
  unbolt: false,
  rerouteMm: 0,
  tuckLinerMm: 0,
  trimPlasticMm: 0,
  foldLipMm: 0,
  cutSheetMetalMm: 0,
  bodyMountMm: 0,
  bumpStopsMm: [],
  steeringStopsDeg: [],
  axleShiftsMm: [],
};
