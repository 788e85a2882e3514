import { Button, FileButton, Modal, Radio, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { readZip, ZipProblem } from '../../../core/bytes/index.ts';
import { exampleKits, findKit, placed, readKit } from '../../../core/kits/index.ts';
import { freeName } from '../../../core/lists/index.ts';
import { kitBounds, kitNamePattern, type OwnKit } from '../../../core/mod/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { kitPath } from '../../api/address.ts';
import { createOpened } from '../../parts/opened.ts';
import { addKit } from './use-kit.ts';
import styles from './kits.module.css';

const dialog = createOpened();

/** Opens the dialog in which a kit is begun. */
export const openNewKit = dialog.open;

export function NewKitDialog() {
  return (
    <Modal opened={dialog.useOpened()} onClose={dialog.close} title="New kit" size={520}>
      <NewKit />
    </Modal>
  );
}

interface Folder {
  own: OwnKit;
  texts: ReadonlyMap<string, string>;
}

/** Where a kit may begin: with one file a block, or as an example does. */
const beginnings: readonly { value: string; label: string; says: string; kit: Folder }[] = [
  {
    value: 'plain',
    label: 'One file a block',
    says: 'A rule and a template of three lines, to go on from.',
    kit: {
      own: {
        model: 1,
        title: 'New kit',
        files: [
          {
            for: 'block',
            path: 'blocks/{{ block.name }}.json',
            template: 'block.json.liquid',
          },
        ],
      },
      texts: new Map([
        [
          'block.json.liquid',
          '{\n  "id": {{ block.id | json }},\n  "title": {{ block.title | json }}\n}\n',
        ],
      ]),
    },
  },
  ...Object.entries(exampleKits).map(([value, kit]) => ({
    value,
    label: kit.own.title.replace(/,.*$/, ''),
    says: kit.own.note ?? '',
    kit,
  })),
];

/** The name of a kit from what its author calls it. */
const nameOf = (title: string): string =>
  title
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^[-0-9]+|-+$/g, '')
    .slice(0, 60);

function NewKit() {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const [from, setFrom] = useState('plain');
  const [refused, setRefused] = useState<string>();
  const name = nameOf(typed);
  const problem = problemWith(typed, name, (one) => findKit(mod, one) !== undefined);
  const isFull = Object.keys(mod.kits).length >= kitBounds.kits;
  const isReady = name !== '' && problem === undefined && !isFull;
  const chosen = beginnings.find(({ value }) => value === from) ?? beginnings[0]!;
  const put = (called: string, { own, texts }: Folder) => {
    addKit(session, called, own, texts);
    dialog.close();
    void navigate(`/m/${session.name}/${kitPath(called)}`);
  };
  const make = () =>
    isReady && put(name, { ...chosen.kit, own: { ...chosen.kit.own, title: typed.trim() } });
  const take = async (file: File | null) => {
    if (!file) return;
    const read = await kitIn(file);
    if (typeof read === 'string') setRefused(read);
    else
      put(
        freeName(nameOf(read.own.title) || 'kit', [
          ...Object.keys(mod.kits),
          ...Object.keys(exampleKits),
        ]),
        read,
      );
  };
  return (
    <>
      <TextInput
        label="What it is called"
        placeholder="Tidal engine"
        data-autofocus
        value={typed}
        error={problem}
        maxLength={100}
        onChange={(event) => setTyped(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && make()}
      />
      <p className="part">It begins as</p>
      <Radio.Group aria-label="It begins as" value={from} onChange={setFrom}>
        {beginnings.map(({ value, label, says }) => (
          <Radio key={value} value={value} label={label} description={says} my={8} />
        ))}
      </Radio.Group>
      {isFull && <p className="bad">A mod keeps {kitBounds.kits} kits at most.</p>}
      {refused !== undefined && (
        <p className="bad" role="alert">
          {refused}
        </p>
      )}
      <div className={styles['begin']}>
        <Button
          disabled={!isReady}
          title={isReady ? undefined : (problem ?? 'It needs a name')}
          onClick={make}
        >
          Begin it
        </Button>
        <FileButton accept=".zip,application/zip" onChange={(file) => void take(file)}>
          {(props) => (
            <Button variant="default" {...props}>
              Take one from a file
            </Button>
          )}
        </FileButton>
      </div>
    </>
  );
}

function problemWith(
  typed: string,
  name: string,
  isTaken: (name: string) => boolean,
): string | undefined {
  if (typed.trim() === '') return undefined;
  if (!kitNamePattern.test(name)) return 'Use at least one letter of the alphabet.';
  return isTaken(name) ? `There is a kit called ${name} already.` : undefined;
}

/** A kit that was shared as an archive of its folder, or why it is none. */
async function kitIn(file: File): Promise<Folder | string> {
  try {
    const files = readZip(new Uint8Array(await file.arrayBuffer()));
    const { own, texts, problems } = readKit(files);
    const [first] = problems;
    if (!own || first) return first ? placed(first) : 'There is no kit in it.';
    return { own, texts };
  } catch (error) {
    if (error instanceof ZipProblem) return error.message;
    throw error;
  }
}
