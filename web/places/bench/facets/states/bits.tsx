import clsx from 'clsx';
import { valuesIn, type CodeLayout } from '../../../../../core/states/index.ts';
import { count } from '../../../../../core/words/index.ts';
import styles from './states.module.css';

interface BitsProps {
  codes: CodeLayout;
  /** How many bits the codes take, and how many the kit has. */
  used: number;
  room: number;
}

/**
 * The bits of a code, highest first: which property lies in which, and how much room the kit has.
 */
export function Bits({ codes, used, room }: BitsProps) {
  const wide = Math.max(room, used, 1);
  return (
    <>
      <div
        className={styles['bits']}
        role="img"
        aria-label={`${used} of ${room} bits`}
        style={{ gridTemplateColumns: `repeat(${wide}, 1fr)` }}
      >
        {Array.from({ length: wide }, (_, i) => (
          <Bit key={i} bit={wide - 1 - i} codes={codes} used={used} room={room} />
        ))}
      </div>
      <p className={clsx('note', styles['bits-note'])}>
        {used > room
          ? `${count(used, 'bit')}, and the kit has ${room}. `
          : `${used} of ${count(room, 'bit')}. `}
        {layoutInWords(codes)}
      </p>
    </>
  );
}

/** The property whose field a bit lies in. */
const ownerOf = (codes: CodeLayout, bit: number): string | undefined =>
  codes.kind === 'bit-fields'
    ? codes.fields.find(({ at, width }) => bit >= at && bit < at + width)?.property
    : undefined;

function Bit({ bit, codes, used, room }: BitsProps & { bit: number }) {
  const names = codes.kind === 'bit-fields' ? codes.fields.map(({ property }) => property) : [];
  const owner = ownerOf(codes, bit);
  const isUsed = codes.kind === 'bit-fields' ? owner !== undefined : bit < used;
  const hue = owner === undefined ? 0 : names.indexOf(owner) % 4;
  const beginsField = names.length < 2 || ownerOf(codes, bit + 1) !== owner;
  return (
    <i
      className={bit >= room ? styles['over'] : isUsed ? styles[`of-${hue}`] : undefined}
      title={owner}
    >
      {owner && beginsField ? owner.slice(0, 3) : ''}
    </i>
  );
}

/** How the codes come about, in a sentence. */
function layoutInWords(codes: CodeLayout): string {
  if (codes.kind === 'table') return 'Each code as it stands in the table.';
  if (codes.kind === 'bit-fields') {
    const fields = codes.fields.map(({ property, at }) => `${property} from bit ${at}`);
    return `Each property in bits of its own: ${fields.join(', ')}.`;
  }
  if (!codes.digits.length) return 'One state needs none.';
  const digits = codes.digits.map(({ property, values }) => `${property} (${valuesIn(values)})`);
  return `Counted ${digits.join(' × ')}, the last the fastest.`;
}
