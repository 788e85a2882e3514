import { heldUnder } from '../../../core/lists/index.ts';
import { Button, FileButton, TextInput } from '@mantine/core';
import { useMemo, useState, type DragEvent } from 'react';
import { lookUp, idOf } from '../../../core/mod/index.ts';
import { messageOf } from '../../../core/words/index.ts';
import { frameCount } from '../../../core/textures/index.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { soundNameOf, uploadSound } from '../../api/sounds.ts';
import { uploadTexture } from '../../api/textures.ts';
import { RenameButton } from '../../parts/rename-field.tsx';
import { ModelShelf } from './models.tsx';
import { SoundShelf } from './sounds.tsx';

/**
 * Every texture and every sound of the mod: what it is, who uses it, what is wrong with it. Files
 * are imported by dropping them here.
 */
export function Library() {
  const mod = useMod();
  const session = useSession();
  const findings = useFindings() ?? [];
  const [filter, setFilter] = useState('');
  const [problems, setProblems] = useState<string[]>([]);
  const [over, setOver] = useState(false);
  const uses = useMemo(() => {
    const found = new Map<string, string[]>();
    for (const [name, model] of Object.entries(mod.models))
      for (const texture of new Set(Object.values(model.slots ?? {})))
        found.set(texture, [...(found.get(texture) ?? []), `model ${name}`]);
    for (const [name, item] of Object.entries(mod.items))
      if (item.texture)
        found.set(item.texture, [...(found.get(item.texture) ?? []), `item ${name}`]);
    return found;
  }, [mod.models, mod.items]);
  const take = async (files: readonly File[]) => {
    const wrong: string[] = [];
    for (const file of files) {
      if (/\.(wav|ogg)$/i.test(file.name)) {
        const sound = soundNameOf(file.name);
        if (lookUp(mod.sounds, sound))
          wrong.push(
            `${file.name}: there is a sound ${sound} already. Rename the file, or remove that ` +
              'sound first.',
          );
        else
          await uploadSound(session, sound, file).catch((error: unknown) =>
            wrong.push(`${file.name}: ${messageOf(error)}`),
          );
        continue;
      }
      const name =
        file.name
          .replace(/\.png$/i, '')
          .toLowerCase()
          .replaceAll(/[^a-z0-9_]+/g, '_')
          .replaceAll(/^[_0-9]+|_+$/g, '') || 'texture';
      if (lookUp(mod.textures, name))
        wrong.push(
          `${file.name}: there is a texture ${name} already. Replace it where it is shown, or ` +
            'rename the file.',
        );
      else
        await uploadTexture(session, name, file).catch((error: unknown) =>
          wrong.push(`${file.name}: ${messageOf(error)}`),
        );
    }
    setProblems(wrong);
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void take([...event.dataTransfer.files]);
  };
  const names = Object.keys(mod.textures)
    .filter((name) => name.includes(filter.trim().toLowerCase()))
    .sort();
  return (
    <div
      className="page"
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      style={over ? { outline: '2px dashed var(--brass-deep)', outlineOffset: -8 } : undefined}
    >
      <div className="blocks-head">
        <h1>
          Textures{' '}
          <span className="soft" style={{ fontWeight: 400 }}>
            {Object.keys(mod.textures).length}
          </span>
        </h1>
        <TextInput
          placeholder="Filter"
          aria-label="Filter textures and sounds"
          value={filter}
          onChange={(event) => setFilter(event.currentTarget.value)}
          w={220}
        />
        <FileButton multiple accept="image/png,.wav,.ogg" onChange={(files) => void take(files)}>
          {(props) => <Button {...props}>Import files</Button>}
        </FileButton>
      </div>
      <p className="note">Drop PNG, WAV and Ogg files anywhere on this page.</p>
      {problems.length > 0 && (
        <ul className="bad" role="alert">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      {names.length === 0 && (
        <div className="empty">
          <h2>
            {Object.keys(mod.textures).length ? `No texture matches “${filter}”` : 'No texture yet'}
          </h2>
          <p>
            A texture is a PNG, as wide as a block has texels ({mod.header.texels} here). Models
            show it on their sides.
          </p>
        </div>
      )}
      <div className="texture-grid">
        {names.map((name) => {
          const texture = heldUnder(mod.textures, name);
          const used = uses.get(idOf(mod.header.namespace, name)) ?? [];
          const wrong = findings.filter(
            (finding) =>
              finding.at === `/textures/${name.replaceAll('/', '~1')}` ||
              finding.at?.startsWith(`/textures/${name.replaceAll('/', '~1')}/`),
          );
          return (
            <article key={name} className="texture" aria-label={name}>
              <div
                className="crisp tiled"
                style={{
                  backgroundImage:
                    `url(/api/blobs/${texture.picture.sha256}), repeating-conic-gradient(var(--hair) 0 ` +
                    '25%, var(--panel) 0 50%)',
                }}
                role="img"
                aria-label={`${name}, tiled`}
              />
              <span className="named">
                <b className="mono">{name}</b>
                <RenameButton kind="textures" name={name} id={idOf(mod.header.namespace, name)} />
              </span>
              <span className="note">
                {texture.picture.width} × {texture.picture.height}
                {texture.strip ? ` · ${frameCount(texture)} frames` : ''} ·{' '}
                {
                  { none: 'opaque', holes: 'with holes', partial: 'partial alpha' }[
                    texture.picture.alpha
                  ]
                }
              </span>
              <span className="note" title={used.join(', ')}>
                {used.length
                  ? used.slice(0, 2).join(', ') +
                    (used.length > 2 ? ` and ${used.length - 2} more` : '')
                  : 'used by nobody'}
              </span>
              {wrong.map((finding) => (
                <span key={finding.rule}>
                  <span className={`tag ${finding.severity}`}>{finding.severity}</span>{' '}
                  <span className="note">{finding.message}</span>
                </span>
              ))}
            </article>
          );
        })}
      </div>
      <ModelShelf filter={filter} />
      <SoundShelf filter={filter} />
    </div>
  );
}
