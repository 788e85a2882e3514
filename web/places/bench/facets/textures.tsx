import clsx from 'clsx';
import { itemAt } from '../../../../core/lists/index.ts';
import { Button, FileButton } from '@mantine/core';
import { useState, type DragEvent } from 'react';
import { Link } from 'react-router';
import {
  blocksShowing,
  modelOf,
  ownTextureFor,
  resolvedModelOf,
  showTexture,
  textureOf,
  type SlotUse,
} from '../../../../core/models/index.ts';
import { idOf, lookUp, ownName, type Mod } from '../../../../core/mod/index.ts';
import { frameCount } from '../../../../core/textures/index.ts';
import { messageOf } from '../../../../core/words/index.ts';
import { pictureKinds } from '../../../api/picture-files.ts';
import { blobAddress, texturePath } from '../../../api/address.ts';
import { useMod, useModPart, useSession } from '../../../api/hooks.tsx';
import { fillWithPicture, uploadTexture } from '../../../api/textures.ts';
import type { FacetProps } from './index.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { ShownToo } from './shown-too.tsx';
import styles from './textures.module.css';
import rowCardStyles from '../../../parts/row-card.module.css';

/** A texture that a block shows, with the slots that show it; none for a slot that is open. */
interface Slot {
  texture: string | undefined;
  uses: SlotUse[];
}

/** The textures that the block's models show, with the slots that show them. */
function slotsOf(mod: Mod, models: string[]): Slot[] {
  const found = new Map<string, Slot>();
  for (const model of models)
    for (const [slot, texture] of resolvedModelOf(mod, model)?.slots ?? []) {
      const key = texture ?? `open ${slot}`;
      const one = found.get(key) ?? { texture, uses: [] };
      one.uses.push({ model, slot });
      found.set(key, one);
    }
  return [...found.values()];
}

/**
 * Every picture that the block shows: crisp, with its facts, to be replaced by dropping a PNG on
 * it.
 */
export function TexturesFacet({ editor: { name, block } }: FacetProps) {
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
        <TextureCard
          key={slot.texture ?? `open ${itemAt(slot.uses, 0).slot}`}
          block={name}
          slot={slot}
        />
      ))}
    </>
  );
}

interface CardProps {
  block: string;
  slot: Slot;
}

/** One picture: how it looks, its facts, who shows it, and the ways to another. */
function TextureCard({ block, slot }: CardProps) {
  const [isOver, setOver] = useState(false);
  const { take, problem, refused } = useTaking(block, slot);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take(event.dataTransfer.files[0] ?? null);
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
        <OtherTexture block={block} slot={slot} />
        <Facts slot={slot} />
        <Users slot={slot} />
        <ShownElsewhere block={block} texture={slot.texture} />
        <FileButton accept={pictureKinds} onChange={(file) => void take(file)}>
          {(props) => (
            <Button {...props} variant="default" disabled={refused !== undefined}>
              {slot.texture === undefined ? 'Import a PNG' : 'Replace with a PNG'}
            </Button>
          )}
        </FileButton>
        <ToDesk block={block} texture={slot.texture} />
        {refused !== undefined && <p className="note">{refused}</p>}
        {problem && (
          <p className="bad" role="alert">
            {problem}
          </p>
        )}
      </div>
    </div>
  );
}

/** The way to the desk of a picture, with the block beside it. */
function ToDesk({ block, texture }: { block: string; texture: string | undefined }) {
  const session = useSession();
  const name = useModPart(({ header, textures }) => {
    const own = texture === undefined ? undefined : ownName(header.namespace, texture);
    return own !== undefined && lookUp(textures, own) ? own : undefined;
  });
  if (name === undefined) return null;
  const to = `/m/${session.name}/${texturePath(name)}?block=${encodeURIComponent(block)}`;
  return (
    <Button component={Link} to={to} variant="default" ml={8}>
      Touch it up
    </Button>
  );
}

/**
 * Takes a PNG in: as the new picture of the texture, or for an open slot as a texture named after
 * the block. `refused` says why none can be taken, `problem` why this one was not.
 */
function useTaking(
  block: string,
  { texture, uses }: Slot,
): {
  take: (file: File | null) => Promise<void>;
  problem: string | undefined;
  refused: string | undefined;
} {
  const session = useSession();
  const namespace = useModPart((mod) => mod.header.namespace);
  const [problem, setProblem] = useState<string>();
  const name = texture === undefined ? undefined : ownName(namespace, texture);
  const refused =
    texture !== undefined && name === undefined
      ? 'It belongs to another mod. Choose a texture of this one to show instead.'
      : undefined;
  const takeIn = (file: File) =>
    name === undefined
      ? fillWithPicture(session, block, uses, file)
      : uploadTexture(session, name, file);
  const take = async (file: File | null) => {
    if (!file || refused !== undefined) return;
    setProblem(undefined);
    try {
      await takeIn(file);
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  return { take, problem, refused };
}

/** The ground behind what is clear. */
const checker = 'repeating-conic-gradient(var(--hair) 0 25%, var(--panel) 0 50%)';

/** The picture itself, or the marker that the game would show. */
function Swatch({ slot }: Pick<CardProps, 'slot'>) {
  const texture = useModPart((mod) => textureOf(mod, slot.texture ?? ''));
  if (!texture)
    return (
      <div className={clsx(styles['swatch'], styles['missing'])}>
        <span className="tag error">{slot.texture === undefined ? 'open' : 'missing'}</span>
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
function OtherTexture({ block, slot }: CardProps) {
  const mod = useMod();
  const session = useSession();
  const own = Object.keys(mod.textures).map((name) => idOf(mod.header.namespace, name));
  return (
    <Choice
      aria-label="Texture"
      data={[...new Set([...(slot.texture === undefined ? [] : [slot.texture]), ...own])]}
      value={slot.texture ?? null}
      onTake={(id) =>
        session.edit(`Show ${id}`, showTexture(session.view.mod, block, slot.uses, id))
      }
      placeholder="Choose a texture"
      classNames={{ input: 'mono' }}
    />
  );
}

const alphaWords = {
  none: 'no transparency',
  holes: 'with holes',
  partial: 'with partial alpha',
} as const;

function Facts({ slot }: Pick<CardProps, 'slot'>) {
  const texture = useModPart((mod) => textureOf(mod, slot.texture ?? ''));
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

/** Which other blocks show the picture too, and a way to have one of its own. */
function ShownElsewhere({ block, texture }: { block: string; texture: string | undefined }) {
  const mod = useMod();
  const session = useSession();
  if (texture === undefined || ownName(mod.header.namespace, texture) === undefined) return null;
  return (
    <ShownToo
      others={blocksShowing(mod, texture).filter((name) => name !== block)}
      so="it too: another picture in its place is seen there."
      act="Make it its own"
      onMakeOwn={() =>
        session.edit(
          `A picture of its own for ${block}`,
          ownTextureFor(session.view.mod, block, texture).changes,
        )
      }
    />
  );
}

/** Which slots of which models show it. */
function Users({ slot: { uses } }: Pick<CardProps, 'slot'>) {
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
