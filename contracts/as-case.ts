import type { CaseDescription } from '@/core/4-clearance/case/case-description';
import type { LowgapFile } from './lowgap-file';

/**
 * The file holds all the engine takes; this line fails to compile when the two shapes drift apart. On its own, so that
 * workers do not load the schemas.
 */
export const asCase = (file: LowgapFile): CaseDescription => file;
