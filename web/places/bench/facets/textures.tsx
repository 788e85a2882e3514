import clsx from 'clsx';
import { itemAt } from '../../../../core/lists/index.ts';
import { Button, FileButton } from '@mantine/core';
import { useState, type DragEvent } from 'react';
import { modelOf, resolvedModelOf, textureOf } from '../../../../core/models/index.ts';
import { lookUp, idOf, ownName, type Change, type Mod } from '../../../../core/mod/index.ts';
import { frameCount } from '../../../../core/textures/index.ts';
import { pointer } from '../../../../core/json/index.ts';
import { messageOf } from '../../../../core/words/index.ts';
import { blobAddress } from '../../../api/address.ts';
import { useMod, useModPart, useSession } from '../../../api/hooks.tsx';
import { uploadTexture } from '../../../api/textures.ts';
import type { FacetProps } from './index.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import styles from './textures.module.css';
import rowCardStyles from '../../../parts/row-card.module.css';

interface Slot {
  texture: string;
  uses: { model: string; slot: string }[];
}

/** The textures that the block's models show, with the slots that show them. */
function slotsOf(mod: Mod, models: string[]): Slot[] {
  const found = new Map<string, Slot>();
  for (const model of models)
    for (const [slot, texture] of resolvedModelOf(mod, model)?.slots ?? []) {
      const key = texture ?? `open ${slot}`;
      const one = found.get(key) ?? { texture: texture ?? '', uses: [] };
      one.uses.push({ model, slot });
      found.set(key, one);
    }
  return [...found.values()];
}

/**
 * Every picture that the block shows: crisp, with its facts, to be replaced by dropping a PNG on
 * it.
 */
export function TexturesFacet({ editor: { block } }: FacetProps) {
  const mod = useMod();
  const models = [
    ...new Set(block.looks.rows.flatMap((row) => row.value.map((candidate) => candidate.model))),
  ];
  const slots = slotsOf(mod, models);
  if (!slots.length)
    return (
      <p className="note">
        No model of this block has a texture. Looks says which models it shows.
      </p>
    );
  return (
    <>
      {slots.map((slot) => (
        <TextureCard key={slot.texture || itemAt(slot.uses, 0).slot} slot={slot} />
      ))}
    </>
  );
}

interface CardProps {
  slot: Slot;
}

/** One picture: how it looks, its facts, who shows it, and the ways to another. */
function TextureCard({ slot }: CardProps) {
  const [isOver, setOver] = useState(false);
  const { replace, problem, isOwn } = useReplacing(slot.texture);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void replace(event.dataTransfer.files[0] ?? null);
  };
  return (
    <div
      className={clsx(rowCardStyles['row-card'], styles['texture-card'], isOver && styles['over'])}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <Swatch slot={slot} />
      <div className={styles['about']}>
        <OtherTexture slot={slot} />
        <Facts slot={slot} />
        <Users slot={slot} />
        <FileButton accept="image/png" onChange={(file) => void replace(file)}>
          {(props) => (
            <Button {...props} variant="default" disabled={!isOwn}>
              {slot.texture ? 'Replace with a PNG' : 'Import a PNG'}
            </Button>
          )}
        </FileButton>
        {problem && (
          <p className="bad" role="alert">
            {problem}
          </p>
        )}
      </div>
    </div>
  );
}

/** Replaces the picture of a texture of the mod, and says why it could not be. */
function useReplacing(texture: string): {
  replace: (file: File | null) => Promise<void>;
  problem: string | undefined;
  isOwn: boolean;
} {
  const session = useSession();
  const namespace = useModPart((mod) => mod.header.namespace);
  const [problem, setProblem] = useState<string>();
  const name = ownName(namespace, texture);
  const replace = async (file: File | null) => {
    if (!file || name === undefined) return;
    setProblem(undefined);
    try {
      await uploadTexture(session, name, file);
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  return { replace, problem, isOwn: name !== undefined };
}

/** The ground behind what is clear. */
const checker = 'repeating-conic-gradient(var(--hair) 0 25%, var(--panel) 0 50%)';

/** The picture itself, or the marker that the game would show. */
function Swatch({ slot }: CardProps) {
  const texture = useModPart((mod) => textureOf(mod, slot.texture));
  if (!texture)
    return (
      <div className={clsx(styles['swatch'], styles['missing'])}>
        <span className="tag error">missing</span>
      </div>
    );
  return (
    <div
      className={clsx('crisp', styles['swatch'])}
      role="img"
      aria-label={slot.texture}
      style={{ backgroundImage: `url(${blobAddress(texture.picture.sha256)}), ${checker}` }}
    />
  );
}

/** Gives another texture to every slot that shows this one, in the model that says so. */
function OtherTexture({ slot }: CardProps) {
  const mod = useMod();
  const session = useSession();
  const own = Object.keys(mod.textures).map((name) => idOf(mod.header.namespace, name));
  return (
    <Choice
      aria-label="Texture"
      data={[...new Set([slot.texture, ...own])].filter(Boolean)}
      value={slot.texture || null}
      onTake={(id) => session.edit(`Show ${id}`, showInstead(session.view.mod, slot.uses, id))}
      placeholder="Choose a texture"
      classNames={{ input: 'mono' }}
    />
  );
}

function showInstead(mod: Mod, uses: Slot['uses'], texture: string): Change[] {
  return uses.flatMap(({ model, slot }) => {
    const name = ownName(mod.header.namespace, model);
    const held = name === undefined ? undefined : lookUp(mod.models, name);
    if (!held || name === undefined) return [];
    const after = { ...held.slots, [slot]: texture };
    return [{ path: pointer(['models', name, 'slots']), before: held.slots, after }];
  });
}

const alphaWords = {
  none: 'no transparency',
  holes: 'with holes',
  partial: 'with partial alpha',
} as const;

function Facts({ slot }: CardProps) {
  const texture = useModPart((mod) => textureOf(mod, slot.texture));
  if (!texture) return null;
  const { width, height, alpha, mean } = texture.picture;
  return (
    <p className="note">
      {width} × {height} texels
      {texture.strip ? `, ${frameCount(texture)} frames` : ''} · {alphaWords[alpha]} ·{' '}
      <span className={styles['mean']} style={{ background: mean }} />{' '}
      <span className="mono">{mean}</span>
    </p>
  );
}

/** Which slots of which models show it. */
function Users({ slot: { uses } }: CardProps) {
  const mod = useMod();
  const nameOf = (model: string) =>
    modelOf(mod, model) ? model.slice(model.indexOf(':') + 1) : model;
  const slots = [...new Set(uses.map(({ slot }) => slot))];
  const models = [...new Set(uses.map(({ model }) => nameOf(model)))];
  return (
    <p className={clsx('note', styles['users'])}>
      {slots.join(', ')} of {models.join(', ')}
    </p>
  );
}
