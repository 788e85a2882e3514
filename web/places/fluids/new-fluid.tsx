import { Button, Modal, SegmentedControl, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { pointer } from '../../../core/json/index.ts';
import { freeName } from '../../../core/lists/index.ts';
import {
  idOf,
  nameFrom,
  newFluid,
  thingNamed,
  type Change,
  type Made,
  type Strip,
} from '../../../core/mod/index.ts';
import { nameProblem } from '../../../core/mod/names.ts';
import { hexOf, toneRamp, colourFromHex } from '../../../core/textures/facts/index.ts';
import { encodePicture } from '../../../core/textures/index.ts';
import { makePicture, usualRecipe } from '../../../core/textures/making/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import type { Session } from '../../api/session.ts';
import { uploadPicture } from '../../api/textures.ts';
import { complain } from '../../parts/complain.ts';
import { createOpened } from '../../parts/opened.ts';
import { fluidPath } from '../../api/address.ts';
import styles from './fluids.module.css';

const dialog = createOpened();

/** Opens the dialog in which a fluid is begun. */
export const openNewFluid = dialog.open;

export function NewFluidDialog() {
  return (
    <Modal opened={dialog.useOpened()} onClose={dialog.close} title="New fluid" size={460}>
      <NewFluid />
    </Modal>
  );
}

/** How thick it is, and how it runs then. */
const kinds = [
  { value: 'thin', label: 'As thin as water', flow: { reach: 7, pace: 5 } },
  { value: 'thick', label: 'As thick as mud', flow: { reach: 4, pace: 30 } },
  { value: 'vapour', label: 'A vapour', flow: { reach: 5, pace: 8, rises: true } },
] as const;

/** The colours that a fluid is offered in. */
const colours = ['#3d959a', '#8fa9a0', '#b5894a', '#7a5a48', '#8d74a8', '#c9cfc6'] as const;
const manyTones = 5;
const strip: Strip = { ticks: 2 };

/** Still and flowing pictures in the tones of a colour: the changes, and how they are called. */
export async function surfacePictures(
  session: Session,
  name: string,
  colour: string,
): Promise<{ changes: Change[]; still: string; flowing: string }> {
  const { header, textures } = session.view.mod;
  const of = colourFromHex(colour);
  const make = async (pattern: Made['pattern'], wanted: string) => {
    const usual = usualRecipe(pattern, header.texels, 1);
    const made = of ? { ...usual, tones: toneRamp(of, manyTones).map(hexOf) } : usual;
    const picture = await uploadPicture(encodePicture(makePicture(made)));
    const texture = freeName(wanted, Object.keys(textures));
    const change: Change = {
      path: pointer(['textures', texture]),
      after: { picture, strip, made },
    };
    return { change, id: idOf(header.namespace, texture) };
  };
  const [still, flowing] = await Promise.all([
    make('liquid', `fluid/${name}_still`),
    make('stream', `fluid/${name}_flowing`),
  ]);
  return { changes: [still.change, flowing.change], still: still.id, flowing: flowing.id };
}

function NewFluid() {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const [kind, setKind] = useState<(typeof kinds)[number]['value']>('thin');
  const [colour, setColour] = useState<string>(colours[0]);
  const name = nameFrom(typed);
  const taken = thingNamed(mod, name);
  const problem = name
    ? (nameProblem(name) ?? (taken && `${name} is the id of ${taken} already.`))
    : undefined;
  const isReady = name !== '' && problem === undefined;
  const make = () => {
    if (!isReady) return;
    const { flow } = kinds.find(({ value }) => value === kind)!;
    surfacePictures(session, name, colour).then(({ changes, still, flowing }) => {
      const title = typed.trim();
      session.edit(`New fluid ${name}`, [
        ...changes,
        ...newFluid(session.view.mod, name, title, { ...flow, still, flowing }),
      ]);
      dialog.close();
      void navigate(`/m/${session.name}/${fluidPath(name)}`);
    }, complain);
  };
  return (
    <>
      <TextInput
        label="What players call it"
        placeholder="Brine"
        data-autofocus
        value={typed}
        error={problem}
        onChange={(event) => setTyped(event.currentTarget.value)}
        onKeyDown={(event) => event.key === 'Enter' && make()}
      />
      <p className="part">It is</p>
      <SegmentedControl
        fullWidth
        aria-label="It is"
        value={kind}
        onChange={setKind}
        data={kinds.map(({ value, label }) => ({ value, label }))}
      />
      <p className="part">In the tones of</p>
      <div className={styles['colours']} role="group" aria-label="In the tones of">
        {colours.map((one) => (
          <button
            key={one}
            type="button"
            aria-label={one}
            aria-pressed={colour === one}
            style={{ background: one }}
            onClick={() => setColour(one)}
          />
        ))}
      </div>
      <Button
        mt="md"
        disabled={!isReady}
        title={isReady ? undefined : (problem ?? 'It needs a name')}
        onClick={make}
      >
        Pour it
      </Button>
    </>
  );
}
