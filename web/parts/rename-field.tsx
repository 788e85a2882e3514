import { Button, Modal, TextInput } from '@mantine/core';
import clsx from 'clsx';
import { useState } from 'react';
import { pointerSteps } from '../../core/json/index.ts';
import {
  namingsOf,
  renameEntry,
  renamingProblem,
  type Naming,
  type RenamedKind,
} from '../../core/mod/index.ts';
import { count, listed } from '../../core/words/index.ts';
import { useDeclared, useMod, useSession } from '../api/hooks.tsx';
import { Field } from './field.tsx';
import { focusMade } from './keys/focus-made.ts';
import fieldStyles from './field.module.css';
import styles from './rename-field.module.css';

/** What saved worlds know by a number. */
const inLedger: readonly RenamedKind[] = ['blocks', 'fluids', 'items', 'groups'];

interface RenameProps {
  kind: RenamedKind;
  name: string;
  id: string;
  onRenamed: (to: string) => void;
  note?: string;
}

/**
 * An id, and renaming it: first one sees what names it and will follow, then it is done in one
 * step.
 */
export function RenameField(props: RenameProps) {
  const { kind, name, id, note = 'Files, tags and saved worlds know it by this.' } = props;
  const [isRenaming, setRenaming] = useState(false);
  if (isRenaming) return <Renaming {...props} onLeave={() => setRenaming(false)} />;
  return (
    <Field
      label="Id"
      value={
        <span>
          <span className={clsx('mono', fieldStyles['value'])}>{id}</span>{' '}
          <button
            type="button"
            className="tiny"
            data-rename={`${kind} ${name}`}
            onClick={() => setRenaming(true)}
          >
            Rename
          </button>
        </span>
      }
      note={note}
    />
  );
}

function Renaming({ kind, name, onRenamed, onLeave }: RenameProps & { onLeave: () => void }) {
  const mod = useMod();
  const session = useSession();
  const [typed, setTyped] = useState(name);
  // What a family says once counts once, however many cells have it from there.
  const namings = namingsOf(useDeclared(), kind, name);
  const problem = renamingProblem(mod, kind, name, typed);
  const isReady = problem === undefined && typed !== name;
  const rename = () => {
    if (!isReady) return;
    session.edit(`Rename ${name} to ${typed}`, renameEntry(session.view.mod, kind, name, typed));
    onRenamed(typed);
    focusMade(`[data-rename="${kind} ${typed}"]`);
  };
  const { namespace } = mod.header;
  return (
    <Field
      label="Id"
      value={
        <TextInput
          aria-label="New id"
          w={220}
          classNames={{ input: 'mono' }}
          autoFocus
          leftSection={<span className={clsx('note', fieldStyles['namespace'])}>{namespace}:</span>}
          leftSectionWidth={namespace.length * 6.5 + 16}
          value={typed}
          error={problem !== undefined}
          aria-describedby="rename-problem"
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => setTyped(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') rename();
            if (event.key === 'Escape') onLeave();
          }}
        />
      }
      note={renamingNote(kind, namings)}
    >
      {problem && (
        <p className="bad" id="rename-problem" role="alert">
          {problem}
        </p>
      )}
      <Places namings={namings} />
      <div className={fieldStyles['rename-acts']}>
        <Button variant="default" onClick={onLeave}>
          Leave it
        </Button>
        <Button
          disabled={!isReady}
          title={isReady ? undefined : (problem ?? 'It is called so already')}
          onClick={rename}
        >
          Rename
        </Button>
      </div>
    </Field>
  );
}

/** What follows a renaming, and what stays. */
function renamingNote(kind: RenamedKind, namings: readonly Naming[]): string {
  const tally = new Map<string, number>();
  for (const { what } of namings) tally.set(what, (tally.get(what) ?? 0) + 1);
  const follows = [...tally].map(([what, many]) =>
    what === 'member of a tag'
      ? `${many} ${many === 1 ? 'member' : 'members'} of tags`
      : count(many, what),
  );
  const following = follows.length ? `${listed(follows)} will follow.` : 'Nothing else names it.';
  const ledger = inLedger.includes(kind)
    ? '; saved worlds still know it by its number, and the ledger keeps the old name'
    : '';
  return `${following} Its files get the new name with the next build${ledger}.`;
}

/** So many places are listed. */
const mostListed = 60;

function Places({ namings }: { namings: readonly Naming[] }) {
  if (!namings.length) return null;
  return (
    <details className={styles['namings']}>
      <summary>{count(namings.length, 'place')}</summary>
      <ul>
        {namings.slice(0, mostListed).map(({ path }) => (
          <li key={path} className="mono">
            {pointerSteps(path).join(' › ')}
          </li>
        ))}
        {namings.length > mostListed && <li>and {namings.length - mostListed} more</li>}
      </ul>
    </details>
  );
}

interface RenameButtonProps extends Pick<RenameProps, 'kind' | 'name' | 'id'> {
  /** Hears of the new name, where an address goes by it. */
  onRenamed?: (to: string) => void;
}

/** A button that renames something where there is no room for a field. */
export function RenameButton({ kind, name, id, onRenamed }: RenameButtonProps) {
  const [opened, setOpened] = useState(false);
  return (
    <>
      <button
        type="button"
        className="tiny"
        aria-label={`Rename ${name}`}
        data-rename={`${kind} ${name}`}
        onClick={() => setOpened(true)}
      >
        Rename
      </button>
      {opened && (
        <Modal opened onClose={() => setOpened(false)} title={`Rename ${name}`} size="md">
          <Renaming
            kind={kind}
            name={name}
            id={id}
            onRenamed={(to) => {
              setOpened(false);
              onRenamed?.(to);
            }}
            onLeave={() => setOpened(false)}
          />
        </Modal>
      )}
    </>
  );
}
