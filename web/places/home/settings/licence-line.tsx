import { licenceSaid } from '../../../../core/mod/licence.ts';
import { useSession } from '../../../api/hooks.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import type { LineProps } from './settings.tsx';

/** Under which terms the mod may be used: an SPDX expression, or the author's own words. */
export function LicenceLine({ header: { license } }: LineProps) {
  const session = useSession();
  const put = (next: string) => session.set('Change the licence', ['header', 'license'], next);
  const said = licenceSaid(license);
  return (
    <Field
      label="Licence"
      value={
        <CommitField
          w={320}
          aria-label="Licence"
          maxLength={200}
          text={license}
          onText={(next) => put(next.trim())}
        />
      }
      note={
        said.kind === 'near' ? (
          <>
            No tool knows this name.{' '}
            <button type="button" className="link" onClick={() => put(said.meant)}>
              Make it {said.meant}
            </button>
          </>
        ) : said.kind === 'known' ? (
          'A licence that every tool knows by this name (SPDX).'
        ) : (
          'Your own words; a short name such as CC0-1.0 or MIT is known to every tool (SPDX).'
        )
      }
    />
  );
}
