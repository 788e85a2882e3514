import { Link } from 'react-router';
import { cellAt, ownerOf } from '../../core/families/index.ts';
import { lookUp } from '../../core/mod/index.ts';
import { count } from '../../core/words/index.ts';
import { useDeclared, useSession } from '../api/hooks.tsx';
import styles from './from-family.module.css';

/** Of a block or an item that a family makes: which, what it has otherwise, and the way there. */
export function FromFamily({ name, kind = 'blocks' }: { name: string; kind?: 'blocks' | 'items' }) {
  const session = useSession();
  const declared = useDeclared();
  const place = ownerOf(declared, kind, name)?.place;
  if (!place) return null;
  const { family, material, form } = place;
  const held = lookUp(declared.families, family);
  const cell = held && cellAt(held, material, form);
  const many = Object.keys(cell?.changed ?? {}).length;
  const search = new URLSearchParams({ material, form });
  return (
    <Link
      className={styles['from']}
      data-differs={many > 0}
      title="What you change here is a difference of this cell; the rest follows its family"
      to={`/m/${session.name}/families/${family}?${search.toString()}`}
    >
      {family.replaceAll('_', ' ')}: {material.replaceAll('_', ' ')} × {form.replaceAll('_', ' ')}
      {many > 0 && `, ${count(many, 'difference')}`}
    </Link>
  );
}
