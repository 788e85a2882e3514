import { Button, NumberInput, TagsInput } from '@mantine/core';
import { Link } from 'react-router';
import { nextVersion, Version, versionParts, type Header } from '../../../../core/mod/index.ts';
import { useSession } from '../../../api/hooks.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import { languageName } from '../../../parts/language-name.ts';
import { DescriptionLine } from './description-line.tsx';
import { KitsLine } from './kits-line.tsx';
import { LicenceLine } from './licence-line.tsx';
import { NamespaceLine } from './namespace-line.tsx';
import { NeedsLine } from './needs-line.tsx';
import { PictureLine } from './picture-line.tsx';
import { ProgramLines } from './program-lines.tsx';
import { TexelsLine } from './texels-line.tsx';
import styles from './settings.module.css';

/** The settings of the mod, a line each. */
export function Settings({ header }: LineProps) {
  return (
    <div className={styles['lines']}>
      <TitleLine header={header} />
      <NamespaceLine header={header} />
      <VersionLine header={header} />
      <DescriptionLine header={header} />
      <PictureLine header={header} />
      <AuthorsLine header={header} />
      <LicenceLine header={header} />
      <KitsLine header={header} />
      <NeedsLine header={header} />
      <TexelsLine header={header} />
      <TickRateLine header={header} />
      <LanguagesLine header={header} />
      <ProgramLines />
    </div>
  );
}

/** What every line is given. */
export interface LineProps {
  header: Header;
}

function TitleLine({ header }: LineProps) {
  const session = useSession();
  return (
    <Field
      label="Title"
      value={
        <CommitField
          w={320}
          aria-label="Title"
          maxLength={100}
          text={header.title}
          check={(title) => (title.trim() ? undefined : 'A mod has a title.')}
          onText={(title) => session.set(`Call the mod ${title}`, ['header', 'title'], title)}
        />
      }
      note="As players and the bar above read it."
    />
  );
}

function VersionLine({ header: { version } }: LineProps) {
  const session = useSession();
  const put = (next: string) => session.set(`Make it version ${next}`, ['header', 'version'], next);
  return (
    <Field
      label="Version"
      value={
        <span className={styles['acts']}>
          {versionParts.map((part) => (
            <button
              key={part}
              type="button"
              className="chip"
              title={`Becomes ${nextVersion(version, part)}`}
              onClick={() => put(nextVersion(version, part))}
            >
              Next {part}
            </button>
          ))}
          <CommitField
            w={120}
            aria-label="Version"
            classNames={{ input: 'mono' }}
            text={version}
            check={(typed) =>
              Version.safeParse(typed).success
                ? undefined
                : 'A version is like 0.3.0 or 1.0.0-rc.1.'
            }
            onText={put}
          />
        </span>
      }
      note="A patch mends, a minor version adds, a major one breaks what others rest on (SemVer)."
    />
  );
}

/** So long may the name of an author be. */
const mostLetters = 200;

function AuthorsLine({ header: { authors } }: LineProps) {
  const session = useSession();
  return (
    <Field
      label="Authors"
      value={
        <TagsInput
          w={320}
          aria-label="Authors"
          placeholder={authors.length ? undefined : 'A name, then Enter'}
          maxTags={100}
          value={authors}
          onChange={(next) =>
            session.set(
              'Change the authors',
              ['header', 'authors'],
              next.map((author) => author.slice(0, mostLetters)),
            )
          }
        />
      }
    />
  );
}

function TickRateLine({ header: { tickRate } }: LineProps) {
  const session = useSession();
  const put = (next: number) => session.set('Change the tick rate', ['header', 'tickRate'], next);
  return (
    <Field
      label="Ticks a second"
      value={
        <NumberInput
          w={90}
          aria-label="Ticks a second"
          min={1}
          max={1000}
          clampBehavior="strict"
          allowDecimal={false}
          value={tickRate}
          onChange={(next) => typeof next === 'number' && next >= 1 && put(next)}
        />
      }
      note={`Digging, fluids and moving pictures take whole ticks, ${(1 / tickRate).toFixed(3)} s each.`}
    />
  );
}

function LanguagesLine({ header: { languages } }: LineProps) {
  const session = useSession();
  return (
    <Field
      label="Languages"
      value={
        <Button
          component={Link}
          variant="default"
          to={`/m/${session.name}/data/texts`}
          className={styles['to-names']}
        >
          Names in all languages
        </Button>
      }
      note={`${languages.map(languageName).join(', ')}. The first is the one that texts are asked for in.`}
    />
  );
}
