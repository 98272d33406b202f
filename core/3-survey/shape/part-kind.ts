/**
 * What a thing is beside its material, where that decides what may be done to it. `swappable`: another part of its kind
 * stands further off. `bracketTab`: a tab of a bracket that carries nothing. `crashBracket`: a maker's crash bracket.
 * `structure`: restraint or crash structure, which is never changed for gap.
 */
export const PART_KINDS = ['swappable', 'bracketTab', 'crashBracket', 'structure'] as const;

export type PartKind = (typeof PART_KINDS)[number];

/** Kinds that nothing is done to in passing: a crash bracket's removal is a decision of its own, structure stays. */
export const isProtected = (part: PartKind | undefined): boolean => part === 'crashBracket' || part === 'structure';
