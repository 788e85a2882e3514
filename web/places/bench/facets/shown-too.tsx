import { shownNamed, titleOf } from '../../../../core/mod/index.ts';
import { listed } from '../../../../core/words/index.ts';
import { useMod } from '../../../api/hooks.tsx';

/** So many blocks are named. */
const mostNamed = 4;

interface ShownTooProps {
  /** The other blocks that show the same. */
  others: readonly string[];
  /** What follows from that, after "Salt crust shows it too: ". */
  so: string;
  /** How the way out is called, and what it does. */
  act: string;
  onMakeOwn: () => void;
}

/** Says who else shows the same, before somebody changes it for all of them, and offers a way out. */
export function ShownToo({ others, so, act, onMakeOwn }: ShownTooProps) {
  const mod = useMod();
  if (!others.length) return null;
  const named = others
    .slice(0, mostNamed)
    .map((name) => titleOf(mod, name, shownNamed(mod, name)?.names));
  const more = others.length - named.length;
  return (
    <p className="note">
      {listed(more > 0 ? [...named, `${more} more`] : named)}{' '}
      {others.length === 1 ? 'shows' : 'show'} {so}{' '}
      <button type="button" className="link" onClick={onMakeOwn}>
        {act}
      </button>
    </p>
  );
}
