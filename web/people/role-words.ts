import type { Role } from '@/contracts/people';

export const ROLE_WORDS: Readonly<Record<Role, string>> = { owner: 'owner', counter: 'counter', bay: 'bay' };
