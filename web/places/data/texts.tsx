import { itemAt } from '../../../core/lists/index.ts';
import { Button, FileButton, Menu, Switch, TextInput } from '@mantine/core';
import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useCallback, useMemo, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { lookUp, idOf } from '../../../core/mod/index.ts';
import { languagePattern } from '../../../core/mod/names.ts';
import {
  changeText,
  originalOf,
  placeholderProblem,
  readTexts,
  textEntries,
  writePo,
  writeWordsJson,
  type TextEntry,
  type TextPlan,
} from '../../../core/texts/index.ts';
import { count } from '../../../core/words/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { download } from '../../parts/download.ts';
import { ItemIcon } from '../../parts/item.tsx';
import { useTyped } from '../../parts/use-typed.ts';
import { DataTabs } from './data-tabs.tsx';
import { TextsDialog } from './texts-dialog.tsx';

const rowHeight = 36;
const languageName = (language: string): string =>
  new Intl.DisplayNames('en', { type: 'language' }).of(language) ?? language;

/**
 * Every text of the mod in every language, with what is missing marked; out and in as JSON and as
 * PO.
 */
export function TextsTable() {
  const mod = useMod();
  const session = useSession();
  const [search] = useSearchParams();
  const [filter, setFilter] = useState(search.get('find') ?? '');
  // What was missing when one asked for it: what is filled in stays in sight.
  const [only, setOnly] = useState<ReadonlySet<string>>();
  const [plan, setPlan] = useState<{ name: string; plan: TextPlan }>();
  const scroller = useRef<HTMLDivElement>(null);
  const { header } = mod;
  const { languages } = header;
  const entries = useMemo(() => textEntries(mod), [mod]);
  const lacking = entries.filter(({ texts }) =>
    languages.some((language) => !lookUp(texts, language)?.trim()),
  );
  const missing = lacking.length;
  const shown = useMemo(() => {
    const wanted = filter.trim().toLowerCase();
    return entries.filter(
      ({ key, texts }) =>
        (key.toLowerCase().includes(wanted) ||
          Object.values(texts).some((text) => text.toLowerCase().includes(wanted))) &&
        (!only || only.has(key)),
    );
  }, [entries, filter, only]);
  const rows = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 8,
    scrollPaddingStart: rowHeight,
  });
  const put = useCallback(
    (entry: TextEntry, language: string, text: string) =>
      session.edit(
        `Write ${entry.key} in ${language}`,
        changeText(session.view.mod, entry, language, text || undefined),
      ),
    [session],
  );
  const grid = `230px repeat(${languages.length}, minmax(200px, 1fr))`;
  return (
    <div className="data-page">
      <DataTabs />
      <div className="data-stack">
        <div className="bulk-bar" style={{ borderTop: 0, borderBottom: '1px solid var(--line)' }}>
          <TextInput
            placeholder="Filter by key or text"
            aria-label="Filter the texts"
            w={190}
            value={filter}
            onChange={(event) => setFilter(event.currentTarget.value)}
          />
          <Switch
            label="Missing only"
            checked={only !== undefined}
            onChange={(event) =>
              setOnly(
                event.currentTarget.checked ? new Set(lacking.map(({ key }) => key)) : undefined,
              )
            }
          />
          <span className="note" aria-live="polite">
            {missing
              ? `${count(missing, 'text')} not in every language`
              : 'Every text is there in every language'}
          </span>
          <span className="acts">
            <NewText
              taken={(key) => entries.some((entry) => entry.key === key)}
              onKey={(key) => {
                session.edit(
                  `Add the text ${key}`,
                  changeText(
                    session.view.mod,
                    { what: 'text', name: key },
                    itemAt(languages, 0),
                    key,
                  ),
                );
                setFilter(key);
              }}
            />
            <AddLanguage />
            <Menu position="bottom-end" shadow="sm">
              <Menu.Target>
                <Button variant="default">Export</Button>
              </Menu.Target>
              <Menu.Dropdown>
                {languages.flatMap((language) => [
                  <Menu.Item
                    key={`${language} po`}
                    onClick={() =>
                      download(
                        `${header.namespace}-${language}.po`,
                        writePo(mod, language),
                        'text/x-gettext-translation',
                      )
                    }
                  >
                    {languageName(language)} as PO
                  </Menu.Item>,
                  <Menu.Item
                    key={`${language} json`}
                    onClick={() =>
                      download(
                        `${language}.json`,
                        writeWordsJson(mod, language),
                        'application/json',
                      )
                    }
                  >
                    {languageName(language)} as JSON
                  </Menu.Item>,
                ])}
              </Menu.Dropdown>
            </Menu>
            <FileButton
              accept=".po,.pot,.json,application/json"
              onChange={(file) =>
                void file?.arrayBuffer().then((bytes) =>
                  setPlan({
                    name: file.name,
                    plan: readTexts(mod, file.name, new Uint8Array(bytes)),
                  }),
                )
              }
            >
              {(props) => (
                <Button {...props} variant="default">
                  Import
                </Button>
              )}
            </FileButton>
          </span>
        </div>
        <div
          className="trait-scroll texts"
          ref={scroller}
          role="table"
          aria-label="Texts"
          aria-rowcount={shown.length + 1}
        >
          <div className="text-line head" role="row" style={{ gridTemplateColumns: grid }}>
            <span role="columnheader">
              {shown.length === entries.length
                ? count(entries.length, 'text')
                : `${shown.length} of ${entries.length}`}
            </span>
            {languages.map((language, at) => (
              <span key={language} role="columnheader">
                {languageName(language)} <span className="mono soft">{language}</span>
                {at === 0 ? (
                  <em>the original</em>
                ) : (
                  <button
                    type="button"
                    className="tiny"
                    aria-label={`Remove the language ${language}`}
                    title="Its texts stay; they are no longer read."
                    onClick={() =>
                      session.set(
                        `Remove the language ${language}`,
                        ['header', 'languages'],
                        languages.filter((one) => one !== language),
                      )
                    }
                  >
                    ×
                  </button>
                )}
              </span>
            ))}
          </div>
          <div style={{ position: 'relative', height: rows.getTotalSize() }}>
            {rows.getVirtualItems().map((item) => (
              <Line
                key={itemAt(shown, item.index).key}
                entry={itemAt(shown, item.index)}
                index={item.index}
                top={item.start}
                grid={grid}
                namespace={header.namespace}
                languages={languages}
                put={put}
              />
            ))}
          </div>
          {!shown.length && (
            <p className="note" style={{ padding: '40px 20px' }}>
              {entries.length
                ? 'No text is like that.'
                : 'The mod has no text yet. Names of blocks, items and groups stand here.'}
            </p>
          )}
        </div>
      </div>
      {plan && (
        <TextsDialog
          name={plan.name}
          plan={plan.plan}
          onClose={() => setPlan(undefined)}
          onApply={() => {
            session.edit(`Take in ${plan.name}`, plan.plan.changes);
            setPlan(undefined);
          }}
        />
      )}
    </div>
  );
}

interface LineProps {
  entry: TextEntry;
  index: number;
  top: number;
  grid: string;
  namespace: string;
  languages: readonly string[];
  put: (entry: TextEntry, language: string, text: string) => void;
}

/** One text in all languages. */
const Line = memo(function Line({ entry, index, top, grid, namespace, languages, put }: LineProps) {
  const original = originalOf(entry, languages);
  return (
    <div
      className="text-line"
      role="row"
      aria-rowindex={index + 2}
      style={{ gridTemplateColumns: grid, top }}
    >
      <span role="rowheader" title={entry.key}>
        {entry.what === 'block' || entry.what === 'item' ? (
          <ItemIcon id={idOf(namespace, entry.name)} size={24} />
        ) : (
          <i />
        )}
        <b className="mono">{entry.key}</b>
      </span>
      {languages.map((language) => {
        const text = lookUp(entry.texts, language) ?? '';
        const wrong =
          original && text.trim() && language !== original.language
            ? placeholderProblem(text, original.text)
            : undefined;
        return (
          <Cell
            key={language}
            label={`${entry.key} in ${language}`}
            text={text}
            wrong={wrong}
            onText={(typed) => put(entry, language, typed)}
          />
        );
      })}
    </div>
  );
});

function Cell({
  label,
  text,
  wrong,
  onText,
}: {
  label: string;
  text: string;
  wrong: string | undefined;
  onText: (text: string) => void;
}) {
  const [typed, setTyped] = useTyped(text);
  return (
    <span
      role="cell"
      className={wrong ? 'wrong' : !text.trim() ? 'missing' : undefined}
      title={wrong ?? (text.trim() ? undefined : 'Missing: players read the key.')}
    >
      <input
        aria-label={label}
        aria-invalid={wrong !== undefined}
        placeholder="missing"
        value={typed}
        onChange={(event) => {
          setTyped(event.currentTarget.value);
          onText(event.currentTarget.value);
        }}
      />
      {wrong && <em>{wrong}</em>}
    </span>
  );
}

function NewText({
  taken,
  onKey,
}: {
  taken: (key: string) => boolean;
  onKey: (key: string) => void;
}) {
  const [opened, setOpened] = useState(false);
  const [key, setKey] = useState('');
  const problem = !key
    ? undefined
    : !/^[a-z][A-Za-z0-9_.]*$/.test(key)
      ? 'Use letters, digits, dots and underscores.'
      : /^(block|item|group)\./.test(key)
        ? 'Names of blocks, items and groups are their own.'
        : taken(key)
          ? 'There is already a text of that key.'
          : undefined;
  return (
    <Menu
      opened={opened}
      onChange={setOpened}
      position="bottom-end"
      shadow="sm"
      closeOnItemClick={false}
      trapFocus={false}
    >
      <Menu.Target>
        <Button variant="default">New text</Button>
      </Menu.Target>
      <Menu.Dropdown p="sm">
        <TextInput
          w={250}
          label="Key of the new text"
          description="For the mod's own code, as in ui.full"
          value={key}
          error={problem}
          onChange={(event) => setKey(event.currentTarget.value)}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key !== 'Enter' || !key || problem) return;
            onKey(key);
            setKey('');
            setOpened(false);
          }}
        />
      </Menu.Dropdown>
    </Menu>
  );
}

function AddLanguage() {
  const {
    header: { languages },
  } = useMod();
  const session = useSession();
  const [opened, setOpened] = useState(false);
  const [tag, setTag] = useState('');
  const problem = !tag
    ? undefined
    : !languagePattern.test(tag)
      ? 'Use a BCP 47 tag such as de or pt-BR.'
      : languages.includes(tag)
        ? 'The mod has it already.'
        : undefined;
  return (
    <Menu
      opened={opened}
      onChange={setOpened}
      position="bottom-end"
      shadow="sm"
      closeOnItemClick={false}
      trapFocus={false}
    >
      <Menu.Target>
        <Button variant="default">Add a language</Button>
      </Menu.Target>
      <Menu.Dropdown p="sm">
        <TextInput
          w={250}
          label="Language"
          description={
            tag && !problem
              ? languageName(tag)
              : 'Nothing is translated by machine: its texts begin empty.'
          }
          value={tag}
          error={problem}
          onChange={(event) => setTag(event.currentTarget.value.trim())}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key !== 'Enter' || !tag || problem) return;
            session.set(`Add the language ${tag}`, ['header', 'languages'], [...languages, tag]);
            setTag('');
            setOpened(false);
          }}
        />
      </Menu.Dropdown>
    </Menu>
  );
}
