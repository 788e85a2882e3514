import { Button, Modal, TextInput } from '@mantine/core';
import { useState } from 'react';
import { pointerSteps } from '../../core/json/index.ts';
import { namingsOf, renameEntry, renamingProblem, type RenamedKind } from '../../core/mod/index.ts';
import { count, listed } from '../../core/words/index.ts';
import { useMod, useSession } from '../api/hooks.tsx';
import { Field } from './field.tsx';

/** What saved worlds know by a number. */
const inLedger: readonly RenamedKind[] = ['blocks', 'items', 'groups'];

/**
 * An id, and renaming it: first one sees what names it and will follow, then it is done in one
 * step.
 */
export function RenameField({
  kind,
  name,
  id,
  onRenamed,
  note = 'Files, tags and saved worlds know it by this.',
  onClose,
}: {
  kind: RenamedKind;
  name: string;
  id: string;
  onRenamed: (to: string) => void;
  note?: string;
  /** Where it stands in a dialog: what closes it. */ onClose?: () => void;
}) {
  const mod = useMod();
  const session = useSession();
  const [typed, setTyped] = useState<string | undefined>(onClose && name);
  const leave = () => (onClose ? onClose() : setTyped(undefined));
  if (typed === undefined)
    return (
      <Field
        label="Id"
        value={
          <span>
            <span className="mono value">{id}</span>{' '}
            <button type="button" className="tiny" onClick={() => setTyped(name)}>
              Rename
            </button>
          </span>
        }
        note={note}
      />
    );
  const namings = namingsOf(mod, kind, name);
  const tally = new Map<string, number>();
  for (const { what } of namings) tally.set(what, (tally.get(what) ?? 0) + 1);
  const follows = [...tally].map(([what, many]) =>
    what === 'member of a tag'
      ? `${many} ${many === 1 ? 'member' : 'members'} of tags`
      : count(many, what),
  );
  const problem = renamingProblem(mod, kind, name, typed);
  const rename = () => {
    if (problem || typed === name) return;
    session.edit(`Rename ${name} to ${typed}`, renameEntry(session.view.mod, kind, name, typed));
    onRenamed(typed);
  };
  return (
    <Field
      label="Id"
      value={
        <TextInput
          aria-label="New id"
          w={220}
          classNames={{ input: 'mono' }}
          autoFocus
          leftSection={
            <span className="note" style={{ fontSize: 11 }}>
              {mod.header.namespace}:
            </span>
          }
          leftSectionWidth={mod.header.namespace.length * 6.5 + 16}
          value={typed}
          error={problem !== undefined}
          aria-describedby="rename-problem"
          onFocus={(event) => event.currentTarget.select()}
          onChange={(event) => setTyped(event.currentTarget.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') rename();
            if (event.key === 'Escape') leave();
          }}
        />
      }
      note={
        `${follows.length ? `${listed(follows)} will follow. ` : 'Nothing else names it. '}Its ` +
        'files get the new name with the next ' +
        `build${inLedger.includes(kind) ? '; saved worlds still know it by its number, and the ledger keeps the old name' : ''}.`
      }
    >
      {problem && (
        <p className="bad" id="rename-problem" role="alert">
          {problem}
        </p>
      )}
      {namings.length > 0 && (
        <details className="namings">
          <summary>{count(namings.length, 'place')}</summary>
          <ul>
            {namings.slice(0, 60).map(({ path }) => (
              <li key={path} className="mono">
                {pointerSteps(path).join(' › ')}
              </li>
            ))}
            {namings.length > 60 && <li>and {namings.length - 60} more</li>}
          </ul>
        </details>
      )}
      <div style={{ display: 'flex', gap: 8, justifyContent: 'flex-end', marginTop: 6 }}>
        <Button variant="default" onClick={leave}>
          Leave it
        </Button>
        <Button disabled={problem !== undefined || typed === name} onClick={rename}>
          Rename
        </Button>
      </div>
    </Field>
  );
}

/** A button that renames something where there is no room for a field. */
export function RenameButton({ kind, name, id }: { kind: RenamedKind; name: string; id: string }) {
  const [opened, setOpened] = useState(false);
  return (
    <>
      <button
        type="button"
        className="tiny"
        aria-label={`Rename ${name}`}
        onClick={() => setOpened(true)}
      >
        Rename
      </button>
      {opened && (
        <Modal opened onClose={() => setOpened(false)} title={`Rename ${name}`} size="md">
          <RenameField
            kind={kind}
            name={name}
            id={id}
            onRenamed={() => setOpened(false)}
            onClose={() => setOpened(false)}
          />
        </Modal>
      )}
    </>
  );
}
