import { itemAt } from '../../../../core/lists/index.ts';
import { Button, FileButton } from '@mantine/core';
import { useState, type DragEvent } from 'react';
import { modelOf, resolvedModelOf, textureOf } from '../../../../core/models/index.ts';
import { lookUp, idOf, ownName, type Mod } from '../../../../core/mod/index.ts';
import { frameCount } from '../../../../core/textures/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { uploadTexture } from '../../../api/textures.ts';
import type { FacetProps } from './index.tsx';
import { Choice } from '../../../parts/choice/index.tsx';

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

function TextureCard({ slot }: { slot: Slot }) {
  const mod = useMod();
  const session = useSession();
  const [problem, setProblem] = useState<string>();
  const [over, setOver] = useState(false);
  const texture = textureOf(mod, slot.texture);
  const name = ownName(mod.header.namespace, slot.texture);
  const replace = async (file: File | null) => {
    if (!file || name === undefined) return;
    setProblem(undefined);
    try {
      await uploadTexture(session, name, file);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void replace(event.dataTransfer.files[0] ?? null);
  };
  /** Gives another texture to every slot that shows this one, in the model that says so. */
  const choose = (id: string | null) => {
    if (!id) return;
    const changes = slot.uses.flatMap(({ model, slot: at }) => {
      const own = ownName(mod.header.namespace, model);
      const held = own === undefined ? undefined : lookUp(mod.models, own);
      return held
        ? [
            {
              path: `/models/${own!.replaceAll('/', '~1')}/slots`,
              before: held.slots,
              after: { ...held.slots, [at]: id },
            },
          ]
        : [];
    });
    session.edit(`Show ${id}`, changes);
  };
  return (
    <div
      className="row-card"
      style={{
        display: 'grid',
        gridTemplateColumns: '84px 1fr',
        gap: 12,
        outline: over ? '2px dashed var(--brass-deep)' : undefined,
      }}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      {texture ? (
        <div
          className="crisp"
          role="img"
          aria-label={slot.texture}
          style={{
            width: 84,
            height: 84,
            background:
              `url(/api/blobs/${texture.picture.sha256}) top / 100% auto, ` +
              'repeating-conic-gradient(var(--hair) 0 25%, var(--panel) 0 50%) 0 0 / 14px 14px',
          }}
        />
      ) : (
        <div
          style={{
            width: 84,
            height: 84,
            background: 'repeating-linear-gradient(45deg, #b0720f 0 4px, #f0d8aa 4px 10px)',
            display: 'grid',
            placeContent: 'center',
          }}
        >
          <span className="tag error">missing</span>
        </div>
      )}
      <div style={{ minWidth: 0 }}>
        <Choice
          aria-label="Texture"
          data={[
            ...new Set([
              slot.texture,
              ...Object.keys(mod.textures).map((one) => idOf(mod.header.namespace, one)),
            ]),
          ].filter(Boolean)}
          value={slot.texture || null}
          onTake={choose}
          placeholder="Choose a texture"
          classNames={{ input: 'mono' }}
        />
        {texture && (
          <p className="note" style={{ margin: '4px 0' }}>
            {texture.picture.width} × {texture.picture.height} texels
            {texture.strip ? `, ${frameCount(texture)} frames` : ''} ·{' '}
            {
              { none: 'no transparency', holes: 'with holes', partial: 'with partial alpha' }[
                texture.picture.alpha
              ]
            }{' '}
            ·{' '}
            <span
              style={{
                display: 'inline-block',
                width: 10,
                height: 10,
                background: texture.picture.mean,
                verticalAlign: -1,
                borderRadius: 2,
              }}
            />{' '}
            <span className="mono">{texture.picture.mean}</span>
          </p>
        )}
        <p className="note" style={{ margin: '0 0 6px' }}>
          {[...new Set(slot.uses.map((use) => use.slot))].join(', ')} of{' '}
          {[
            ...new Set(
              slot.uses.map((use) =>
                modelOf(mod, use.model) ? use.model.slice(use.model.indexOf(':') + 1) : use.model,
              ),
            ),
          ].join(', ')}
        </p>
        <FileButton accept="image/png" onChange={(file) => void replace(file)}>
          {(props) => (
            <Button {...props} variant="default" disabled={name === undefined}>
              {texture ? 'Replace with a PNG' : 'Import a PNG'}
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
