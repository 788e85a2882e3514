import { FileButton } from '@mantine/core';
import clsx from 'clsx';
import { useState } from 'react';
import { heldUnder } from '../../../../core/lists/index.ts';
import { idOf } from '../../../../core/mod/index.ts';
import { textureOf, type ResolvedModel } from '../../../../core/models/index.ts';
import { blobAddress } from '../../../api/address.ts';
import { useSession } from '../../../api/hooks.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { useDesk } from '../desk-state.ts';
import styles from './slots.module.css';

interface SlotsProps {
  resolved: ResolvedModel;
  onFile: (slot: string, file: File) => void;
}

/** The slots of the model, each with its picture: chosen, imported, or dropped on it. */
export function Slots({ resolved, onFile }: SlotsProps) {
  return (
    <ul className={styles['slots']} aria-label="Slots">
      {[...resolved.slots].map(([slot, texture]) => (
        <Slot key={slot} slot={slot} texture={texture} onFile={(file) => onFile(slot, file)} />
      ))}
    </ul>
  );
}

interface SlotProps {
  slot: string;
  texture: string | undefined;
  onFile: (file: File) => void;
}

function Slot({ slot, texture, onFile }: SlotProps) {
  const { mod, name } = useDesk();
  const session = useSession();
  const [isOver, setOver] = useState(false);
  const picture = textureOf(mod, texture ?? '')?.picture;
  const ids = Object.keys(mod.textures).map((one) => idOf(mod.header.namespace, one));
  const show = (id: string) => {
    const before = heldUnder(session.view.mod.models, name).slots;
    session.set(`Show ${id}`, ['models', name, 'slots'], { ...before, [slot]: id });
  };
  return (
    <li
      className={clsx(styles['slot'], isOver && styles['over'])}
      aria-label={slot}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const file = event.dataTransfer.files[0];
        if (file) onFile(file);
      }}
    >
      <span
        className={clsx('crisp', styles['swatch'])}
        style={picture && { backgroundImage: `url(${blobAddress(picture.sha256)})` }}
      >
        {!picture && <em>{texture === undefined ? 'open' : 'missing'}</em>}
      </span>
      <b className="mono">{slot}</b>
      <Choice
        aria-label={`Texture of ${slot}`}
        data={[...new Set([...(texture === undefined ? [] : [texture]), ...ids])]}
        value={texture ?? null}
        onTake={show}
        placeholder="Choose a texture"
        classNames={{ input: 'mono' }}
      />
      <FileButton accept="image/png" onChange={(file) => file && onFile(file)}>
        {(props) => (
          <button type="button" className="tiny" {...props}>
            Import
          </button>
        )}
      </FileButton>
    </li>
  );
}
