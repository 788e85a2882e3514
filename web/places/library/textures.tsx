import clsx from 'clsx';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { Finding } from '../../../core/inspect/index.ts';
import { pointer } from '../../../core/json/index.ts';
import { heldUnder } from '../../../core/lists/index.ts';
import { idOf, type Texture } from '../../../core/mod/index.ts';
import { frameCount, textureUsers } from '../../../core/textures/index.ts';
import { blobAddress, texturePath } from '../../api/address.ts';
import { useFindings, useMod, useSession } from '../../api/hooks.tsx';
import { RenameButton } from '../../parts/rename-field.tsx';
import styles from './library.module.css';
import emptyStyles from '../../parts/empty.module.css';

/** A picture that is tiled is so wide, in CSS pixels. */
const tileWidth = 56;
/** So many users of a texture are named. */
const mostNamed = 2;
const alphaWords = { none: 'opaque', holes: 'with holes', partial: 'partial alpha' } as const;

/** The textures whose names hold the filter. */
export function TextureShelf({ filter }: { filter: string }) {
  const { textures, models, items, fluids, blocks, header } = useMod();
  const findings = useFindings();
  const users = useMemo(
    () => textureUsers({ models, items, fluids, blocks }),
    [models, items, fluids, blocks],
  );
  const names = Object.keys(textures)
    .filter((name) => name.includes(filter.trim().toLowerCase()))
    .sort();
  if (!names.length)
    return (
      <div className={emptyStyles['empty']}>
        <h2>
          {Object.keys(textures).length ? `No texture matches “${filter}”` : 'No texture yet'}
        </h2>
        <p>
          A texture is a PNG, as wide as a block has texels ({header.texels} here). Models show it
          on their sides.
        </p>
      </div>
    );
  return (
    <>
      <h2>
        Textures <span className="soft plain">{Object.keys(textures).length}</span>
      </h2>
      <div className={styles['texture-grid']}>
        {names.map((name) => (
          <TextureCard
            key={name}
            name={name}
            id={idOf(header.namespace, name)}
            texture={heldUnder(textures, name)}
            users={users.get(idOf(header.namespace, name)) ?? []}
            findings={findingsAt(findings ?? [], pointer(['textures', name]))}
          />
        ))}
      </div>
    </>
  );
}

const findingsAt = (findings: readonly Finding[], path: string): Finding[] =>
  findings.filter(({ at }) => at === path || at?.startsWith(`${path}/`));

interface CardProps {
  name: string;
  id: string;
  texture: Texture;
  users: readonly string[];
  findings: readonly Finding[];
}

function TextureCard({ name, id, texture, users, findings }: CardProps) {
  const session = useSession();
  const { width, height, alpha, sha256 } = texture.picture;
  const others = users.length - mostNamed;
  const named = users.slice(0, mostNamed).join(', ') + (others > 0 ? ` and ${others} more` : '');
  return (
    <article className={styles['texture']} aria-label={name}>
      <div
        className={clsx('crisp', styles['tiled'])}
        style={{
          backgroundImage:
            `url(${blobAddress(sha256)}), repeating-conic-gradient(var(--hair) 0 ` +
            '25%, var(--panel) 0 50%)',
          // As wide as a tile, and as high as that makes it: of a strip its first frames are seen.
          backgroundSize: `${tileWidth}px ${(tileWidth * height) / width}px, 14px 14px`,
        }}
        role="img"
        aria-label={`${name}, tiled`}
      />
      <span className={styles['named']}>
        <Link className="mono" to={`/m/${session.name}/${texturePath(name)}`}>
          <b>{name}</b>
        </Link>
        <RenameButton kind="textures" name={name} id={id} />
      </span>
      <span className="note">
        {width} × {height}
        {texture.strip ? ` · ${frameCount(texture)} frames` : ''} · {alphaWords[alpha]}
      </span>
      <span className="note" title={users.join(', ')}>
        {named || 'used by nobody'}
      </span>
      {findings.map(({ rule, severity, message }) => (
        <span key={rule}>
          <span className={clsx('tag', severity)}>{severity}</span>{' '}
          <span className="note">{message}</span>
        </span>
      ))}
    </article>
  );
}
