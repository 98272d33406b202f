/** What the shop charges and how long it takes, as it goes between the browser and the server. Money in minor units. */
import { z } from 'zod';
import { shopTermsSchema } from './plan';

/** `terms` null: the shop has not said yet. */
export const shopSchema = z.object({ terms: shopTermsSchema.nullable() });
export const shopUpdateSchema = z.strictObject({ terms: shopTermsSchema });
