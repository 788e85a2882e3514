import { Button, Menu, Switch, TextInput } from '@mantine/core';
import clsx from 'clsx';
import { itemAt } from '../../../../core/lists/index.ts';
import {
  changeText,
  keyProblem,
  readTexts,
  writePo,
  writeWordsJson,
  type TextEntry,
} from '../../../../core/texts/index.ts';
import { languagePattern } from '../../../../core/mod/names.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { download } from '../../../parts/download.ts';
import { ImportButton } from '../import-button.tsx';
import { AskInMenu } from './ask-in-menu.tsx';
import { languageName, languageTyped } from '../../../parts/language-name.ts';
import { TextsDialog } from './texts-dialog.tsx';
import styles from '../page.module.css';

interface TextsBarProps {
  entries: readonly TextEntry[];
  /** How many are not there in every language. */
  lacking: number;
  filter: string;
  onFilter: (filter: string) => void;
  onlyMissing: boolean;
  onOnlyMissing: (wanted: boolean) => void;
}

/** What is shown of the texts, and how more of them come in and go out. */
export function TextsBar(props: TextsBarProps) {
  const { entries, lacking, filter, onFilter, onlyMissing, onOnlyMissing } = props;
  return (
    <div className={clsx(styles['bulk-bar'], styles['texts-bar'])}>
      <TextInput
        placeholder="Filter by key or text"
        aria-label="Filter the texts"
        w={190}
        value={filter}
        onChange={(event) => onFilter(event.currentTarget.value)}
      />
      <Switch
        label="Missing only"
        checked={onlyMissing}
        onChange={(event) => onOnlyMissing(event.currentTarget.checked)}
      />
      <span className="note" aria-live="polite">
        {lacking
          ? `${count(lacking, 'text')} not in every language`
          : 'Every text is there in every language'}
      </span>
      <span className={styles['acts']}>
        <NewText entries={entries} onAdded={onFilter} />
        <AddLanguage />
        <ExportMenu />
        <ImportTexts />
      </span>
    </div>
  );
}

function NewText({
  entries,
  onAdded,
}: {
  entries: readonly TextEntry[];
  onAdded: (key: string) => void;
}) {
  const session = useSession();
  const language = itemAt(useMod().header.languages, 0);
  const add = (key: string) => {
    const change = changeText(session.view.mod, { what: 'text', name: key }, language, key);
    session.edit(`Add the text ${key}`, change);
    onAdded(key);
  };
  return (
    <AskInMenu
      act="New text"
      label="Key of the new text"
      description={() => "For the mod's own code, as in ui.full"}
      problemOf={(key) =>
        keyProblem(
          key,
          entries.map((entry) => entry.key),
        )
      }
      onTake={add}
    />
  );
}

function AddLanguage() {
  const { languages } = useMod().header;
  const session = useSession();
  const problemOf = (typed: string) => {
    const meant = languageTyped(typed);
    if (!meant || !languagePattern.test(meant.tag)) return 'No language is called so.';
    return languages.includes(meant.tag) ? `The mod has ${meant.name} already.` : undefined;
  };
  return (
    <AskInMenu
      act="Add a language"
      label="Language"
      description={(typed) => {
        const meant = languageTyped(typed);
        return meant
          ? `${meant.name}, ${meant.tag}. Nothing is translated by machine: its texts begin empty.`
          : 'Its name, such as German, or its tag, such as de or pt-BR (BCP 47).';
      }}
      problemOf={problemOf}
      onTake={(typed) => {
        const meant = languageTyped(typed);
        if (!meant) return;
        const added = [...languages, meant.tag];
        session.set(`Add the language ${meant.name}`, ['header', 'languages'], added);
      }}
    />
  );
}

function ExportMenu() {
  const mod = useMod();
  const { namespace, languages } = mod.header;
  const savePo = (language: string) =>
    download(`${namespace}-${language}.po`, writePo(mod, language), 'text/x-gettext-translation');
  const saveJson = (language: string) =>
    download(`${language}.json`, writeWordsJson(mod, language), 'application/json');
  return (
    <Menu position="bottom-end" shadow="sm">
      <Menu.Target>
        <Button variant="default">Export</Button>
      </Menu.Target>
      <Menu.Dropdown>
        {languages.flatMap((language) => [
          <Menu.Item key={`${language} po`} onClick={() => savePo(language)}>
            {languageName(language)} as PO
          </Menu.Item>,
          <Menu.Item key={`${language} json`} onClick={() => saveJson(language)}>
            {languageName(language)} as JSON
          </Menu.Item>,
        ])}
      </Menu.Dropdown>
    </Menu>
  );
}

function ImportTexts() {
  const mod = useMod();
  return (
    <ImportButton
      label="Import"
      accept=".po,.pot,.json,application/json"
      read={(name, bytes) => readTexts(mod, name, bytes)}
      dialog={(file) => <TextsDialog {...file} />}
    />
  );
}
