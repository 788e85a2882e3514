import { Link } from 'react-router';
import { itemAt } from '../../core/lists/index.ts';
import { lookUp } from '../../core/mod/index.ts';
import { useModPart, useSession } from '../api/hooks.tsx';
import { Field } from './field.tsx';
import { TextField } from './text-field.tsx';

interface NameProps {
  /** What it is called, by language. */
  names: Readonly<Record<string, string>>;
  onName: (language: string, text: string) => void;
  /** Its key in the texts, where the other languages are: `block.tide_lantern`. */
  text: string;
}

/** The name that players read, in the first language of the mod. */
export function NameField({ names, onName, text }: NameProps) {
  const language = useModPart(({ header }) => itemAt(header.languages, 0));
  const { name: mod } = useSession();
  return (
    <Field
      label="Name"
      value={
        <TextField
          w={220}
          aria-label="Name"
          text={lookUp(names, language) ?? ''}
          onText={(typed) => onName(language, typed)}
        />
      }
      note={
        <>
          In {language}; other languages are in{' '}
          <Link to={`/m/${mod}/data/texts?find=${text}`}>Names</Link>.
        </>
      }
    />
  );
}
