import { lookUp } from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import type { FacetProps } from './index.tsx';
import styles from './names.module.css';

/** The display name in every language of the mod. */
export function NamesFacet({ editor: { name, declared, set } }: FacetProps) {
  const { header } = useMod();
  return (
    <>
      {header.languages.map((language) => {
        const text = lookUp(declared.names, language);
        return (
          <Field
            key={language}
            label={
              <span>
                {new Intl.DisplayNames('en', { type: 'language' }).of(language) ?? language}{' '}
                <span className="mono soft">{language}</span>
              </span>
            }
            note={
              text ? undefined : (
                <span className={styles['missing']}>
                  Missing: players read <span className="mono">block.{name}</span>.
                </span>
              )
            }
          >
            <TextField
              aria-label={`Name in ${language}`}
              text={text ?? ''}
              placeholder={`block.${name}`}
              onText={(typed) =>
                set(`Name it in ${language}`, ['names', language], typed || undefined)
              }
            />
          </Field>
        );
      })}
      <p className="note">
        The key in the language files is <span className="mono">block.{name}</span>.
      </p>
    </>
  );
}
