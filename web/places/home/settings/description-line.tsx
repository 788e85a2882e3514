import { useSession } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import type { LineProps } from './settings.tsx';

/** So long may a description be. */
const mostLetters = 4000;

/** What the mod brings, for those who may want to play it. */
export function DescriptionLine({ header: { description = '' } }: LineProps) {
  const session = useSession();
  return (
    <Field label="Description" note="A few sentences for those who may want to play it.">
      <TextField
        long
        aria-label="Description"
        maxLength={mostLetters}
        placeholder="Salt pans, sluices and lanterns for a coast that floods twice a day."
        text={description}
        onText={(text) =>
          session.set(
            'Describe the mod',
            ['header', 'description'],
            text.trim() === '' ? undefined : text.slice(0, mostLetters),
          )
        }
      />
    </Field>
  );
}
