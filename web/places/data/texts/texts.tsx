import clsx from 'clsx';
import { useCallback, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { itemAt } from '../../../../core/lists/index.ts';
import {
  changeText,
  isEverywhere,
  shownTexts,
  textEntries,
  type TextEntry,
} from '../../../../core/texts/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { useLines } from '../../../parts/grid/use-lines.ts';
import { DataTabs } from '../data-tabs.tsx';
import { languageName } from '../../../parts/language-name.ts';
import { Line } from './line.tsx';
import { TextsBar } from './texts-bar.tsx';
import styles from './texts.module.css';
import pageStyles from '../page.module.css';

const lineHeight = 36;

/**
 * Every text of the mod in every language, with what is missing marked; out and in as JSON and as
 * PO.
 */
export function TextsTable() {
  const mod = useMod();
  const [search] = useSearchParams();
  const [filter, setFilter] = useState(search.get('find') ?? '');
  // What was missing when one asked for it: what is filled in stays in sight.
  const [only, setOnly] = useState<ReadonlySet<string>>();
  const entries = useMemo(() => textEntries(mod), [mod]);
  const shown = useMemo(() => shownTexts(entries, filter, only), [entries, filter, only]);
  const lacking = entries.filter((entry) => !isEverywhere(entry, mod.header.languages));
  return (
    <div className={pageStyles['data-page']}>
      <DataTabs />
      <div className={pageStyles['data-stack']}>
        <TextsBar
          entries={entries}
          lacking={lacking.length}
          filter={filter}
          onFilter={setFilter}
          onlyMissing={only !== undefined}
          onOnlyMissing={(wanted) =>
            setOnly(wanted ? new Set(lacking.map(({ key }) => key)) : undefined)
          }
        />
        <Table shown={shown} total={entries.length} />
      </div>
    </div>
  );
}

function Table({ shown, total }: { shown: readonly TextEntry[]; total: number }) {
  const { namespace, languages } = useMod().header;
  const session = useSession();
  const { scroller, track } = useLines(shown.length, lineHeight);
  const put = useCallback(
    (entry: TextEntry, language: string, text: string) =>
      session.edit(
        `Write ${entry.key} in ${language}`,
        changeText(session.view.mod, entry, language, text || undefined),
      ),
    [session],
  );
  const columns = `230px repeat(${languages.length}, minmax(200px, 1fr))`;
  return (
    <div
      className={clsx(pageStyles['scroll'], styles['texts'])}
      ref={scroller}
      role="table"
      aria-label="Texts"
      aria-rowcount={shown.length + 1}
    >
      <div
        className={clsx(styles['text-line'], styles['head'])}
        role="row"
        style={{ gridTemplateColumns: columns }}
      >
        <span role="columnheader">
          {shown.length === total ? count(total, 'text') : `${shown.length} of ${total}`}
        </span>
        {languages.map((language, index) => (
          <LanguageHead key={language} language={language} isOriginal={index === 0} />
        ))}
      </div>
      <div className={pageStyles['text-lines']} style={{ height: track.getTotalSize() }}>
        {track.getVirtualItems().map((item) => (
          <Line
            key={itemAt(shown, item.index).key}
            entry={itemAt(shown, item.index)}
            index={item.index}
            top={item.start}
            columns={columns}
            namespace={namespace}
            languages={languages}
            put={put}
          />
        ))}
      </div>
      {!shown.length && (
        <p className={clsx('note', styles['texts-bare'])}>
          {total
            ? 'No text is like that.'
            : 'The mod has no text yet. Names of blocks, items and groups stand here.'}
        </p>
      )}
    </div>
  );
}

/** A language at the head of its column, with a way to no longer read it. */
function LanguageHead({ language, isOriginal }: { language: string; isOriginal: boolean }) {
  const { languages } = useMod().header;
  const session = useSession();
  const remove = () =>
    session.set(
      `Remove the language ${language}`,
      ['header', 'languages'],
      languages.filter((one) => one !== language),
    );
  return (
    <span role="columnheader">
      {languageName(language)} <span className="mono soft">{language}</span>
      {isOriginal ? (
        <em>the original</em>
      ) : (
        <button
          type="button"
          className="tiny"
          aria-label={`Remove the language ${language}`}
          title="Its texts stay; they are no longer read."
          onClick={remove}
        >
          ×
        </button>
      )}
    </span>
  );
}
