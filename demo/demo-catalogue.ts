/** The invented garage's own list: sizes in standard notation, made-up labels, no maker. */
import type { CatalogueContent } from '@/contracts/catalogue';

export const demoCatalogue = (): CatalogueContent[] => [
  {
    kind: 'tire',
    data: {
      size: '265/70R17',
      priceMinor: 18900,
      label: 'Winter, studded',
      measuredDiameterMm: 798,
      loadIndex: 121,
      speedSymbol: 'Q',
    },
  },
  {
    kind: 'tire',
    data: { size: '275/70R17', priceMinor: 20400, label: 'All-terrain', loadIndex: 121, speedSymbol: 'R' },
  },
  {
    kind: 'tire',
    data: {
      size: '285/70R17',
      priceMinor: 22150,
      label: 'All-terrain',
      measuredDiameterMm: 826,
      measuredWidthMm: 291,
      loadIndex: 121,
      speedSymbol: 'R',
      revolutionsPerKm: 396,
    },
  },
  { kind: 'tire', data: { size: '33x10.50R17LT', priceMinor: 22150, label: 'Mud', loadIndex: 121, speedSymbol: 'Q' } },
  {
    kind: 'tire',
    data: {
      size: '35x12.50R17LT',
      priceMinor: 23800,
      label: 'Mud',
      measuringRimIn: 10,
      loadIndex: 121,
      speedSymbol: 'Q',
    },
  },
  { kind: 'tire', data: { size: '22x10-10', priceMinor: 6400, label: 'Cart, turf' } },
  {
    kind: 'wheel',
    data: {
      diameterIn: 17,
      widthIn: 7.5,
      label: 'As delivered',
      offsetMm: 30,
      boltPattern: '6x139.7',
      boreMm: 106.1,
      loadKg: 1250,
      priceMinor: 9800,
    },
  },
  {
    kind: 'wheel',
    data: {
      diameterIn: 17,
      widthIn: 8.5,
      label: 'Steel, grey',
      offsetMm: 0,
      boltPattern: '6x139.7',
      boreMm: 110,
      studPocketMm: 12,
      loadKg: 1350,
      priceMinor: 11500,
    },
  },
  {
    kind: 'wheel',
    data: {
      diameterIn: 17,
      widthIn: 8.5,
      label: 'Cast, black',
      backspacingMm: 133.4,
      boltPattern: '6x139.7',
      boreMm: 106.1,
      priceMinor: 16900,
    },
  },
  {
    kind: 'spacer',
    data: {
      thicknessMm: 25,
      priceMinor: 4550,
      label: 'Hub-centric plate',
      type: 'boltOn',
      boltPattern: '6x139.7',
      boreMm: 106.1,
    },
  },
  {
    kind: 'spacer',
    data: {
      thicknessMm: 6,
      priceMinor: 1890,
      label: 'Thin plate',
      type: 'slipOn',
      boltPattern: '6x139.7',
      boreMm: 106.1,
    },
  },
];
