import { z } from 'zod';
import { LooksSchema, StatesSchema } from './block.schema.ts';
import { TraitsSchema } from './traits.ts';

/**
 * The look that a mod gives a block that it does not own: another mod's, or a stock material. It is
 * kept under the block's namespace and name, as `driftwood/plank`.
 */
export const NewLookSchema = z.strictObject({
  states: StatesSchema.optional().meta({
    description:
      'The states of that block as its owner declares them. Where they are not known, no state ' +
      'is checked.',
  }),
  tint: TraitsSchema.shape.tint.optional().meta({
    description:
      "The colour source of the new look, in place of the owner's. It acts only on a block that " +
      'its owner tints.',
  }),
  looks: LooksSchema,
});
export type NewLook = z.output<typeof NewLookSchema>;
