import { itemAt } from '../../../core/lists/index.ts';
import { Button, Switch } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { Link } from 'react-router';
import {
  isTraitRows,
  sameData,
  stocks,
  titleOf,
  type Header,
  type TraitName,
  type Traits,
} from '../../../core/mod/index.ts';
import {
  cellInWords,
  cellText,
  columns,
  type Column,
  type Subject,
} from '../../../core/table/index.ts';
import {
  charges,
  digTime,
  oddsInTheOpen,
  slide,
  toolName,
  toolsOf,
} from '../../../core/traits/index.ts';
import { useMod, useModPart, useSession } from '../../api/hooks.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { Choice } from '../../parts/choice/index.tsx';
import styles from './side-by-side.module.css';

/** So many stand side by side at most. */
export const mostSubjects = 6;

const first = (value: Traits['friction']): number =>
  isTraitRows(value) ? (value[0]?.value ?? 0) : value;

/**
 * What follows from the traits of a subject, as numbers with words. Smaller or larger means nothing
 * by itself, so only the length of the bars tells.
 */
function consequences(
  { traits }: Subject,
  header: Header,
): { what: string; value: number | undefined; text: string; most?: number }[] {
  const bare = digTime(traits, 'bare hands', header);
  const best = toolsOf(header, traits.toolKind).at(-1)!;
  const time = digTime(traits, best, header);
  const seconds = (value: number | undefined) =>
    value === undefined ? 'never' : `${value.toFixed(2)} s`;
  const slides = slide(first(traits.friction), header.tickRate).blocks;
  return [
    {
      what: 'dug with bare hands',
      value: bare.seconds,
      text: `${seconds(bare.seconds)}${bare.yields ? '' : ', no drop'}`,
    },
    {
      what: 'dug with its best tool',
      value: time.seconds,
      text: `${seconds(time.seconds)}${best === 'bare hands' ? '' : `, ${toolName(best, header)}`}`,
    },
    ...charges.map(({ name, strength }) => {
      const odds = oddsInTheOpen(Math.max(0, traits.blastRating), strength, 3);
      return {
        what: `survives a ${name} 3 cells away`,
        value: odds,
        text: `${Math.round(odds * 100)}%`,
        most: 1,
      };
    }),
    {
      what: 'one slides on it',
      value: slides === Infinity ? undefined : slides,
      text: slides === Infinity ? 'without end' : `${slides.toFixed(2)} blocks`,
    },
  ];
}

interface SideProps {
  subjects: Subject[];
  onSubjects: (keys: string[]) => void;
}

/**
 * Two to six blocks or materials beside each other: what follows from them, and every trait, with
 * the differences marked.
 */
export function SideBySide({ subjects, onSubjects }: SideProps) {
  const [only, setOnly] = useLocalStorage({
    key: 'obrank.table.differences',
    defaultValue: false,
    getInitialValueInEffect: false,
  });
  const differing = columns.filter(({ trait }) => differs(subjects, trait));
  return (
    <div className={styles['beside']}>
      <div className={styles['beside-bar']}>
        <Button variant="default" onClick={() => onSubjects([])}>
          Back to the table
        </Button>
        <AddSubject subjects={subjects} onSubjects={onSubjects} />
        <Switch
          label="Only what differs"
          checked={only}
          onChange={(event) => setOnly(event.currentTarget.checked)}
        />
        <span className="note">
          {differing.length} of {columns.length} traits differ.
        </span>
      </div>
      <table aria-label="Side by side">
        <thead>
          <tr>
            <th />
            {subjects.map((subject) => (
              <SubjectHead
                key={subject.key}
                subject={subject}
                subjects={subjects}
                onSubjects={onSubjects}
              />
            ))}
          </tr>
        </thead>
        <tbody>
          <Consequences subjects={subjects} />
          {(only ? differing : columns).map((column) => (
            <TraitRow key={column.trait} column={column} subjects={subjects} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

const differs = (subjects: readonly Subject[], trait: TraitName): boolean =>
  subjects.some(({ traits }) => !sameData(traits[trait], itemAt(subjects, 0).traits[trait]));

function AddSubject({ subjects, onSubjects }: SideProps) {
  const mod = useMod();
  const keys = subjects.map(({ key }) => key);
  if (keys.length >= mostSubjects) return null;
  const more = [
    ...Object.entries(mod.blocks).map(([name, { names }]) => ({
      value: name,
      label: titleOf(mod, name, names),
    })),
    ...stocks.map(({ name, title }) => ({ value: `stock/${name}`, label: `${title}, stock` })),
  ].filter(({ value }) => !keys.includes(value));
  return (
    <Choice
      aria-label="Add to the comparison"
      placeholder="Add a block or stock"
      w={200}
      data={more}
      value={null}
      onTake={(key) => onSubjects([...keys, key])}
    />
  );
}

function SubjectHead({ subject, subjects, onSubjects }: SideProps & { subject: Subject }) {
  const session = useSession();
  const { key, title, block, traits } = subject;
  const stock = block?.declared.identity.stock;
  const origin = !block ? 'stock' : stock ? `from ${stock}` : 'from no stock';
  const others = subjects.map((one) => one.key).filter((one) => one !== key);
  return (
    <th scope="col">
      <div className={styles['subject']}>
        {block ? (
          <Rendering block={key} state={0} size={58} fills />
        ) : (
          <i style={{ background: traits.mapColour }} />
        )}
        <span>
          {block ? <Link to={`/m/${session.name}/blocks/${key}/traits`}>{title}</Link> : title}
          <em>{origin}</em>
        </span>
        {others.length > 1 && (
          <button
            type="button"
            className="tiny"
            aria-label={`Leave out ${title}`}
            onClick={() => onSubjects(others)}
          >
            ×
          </button>
        )}
      </div>
    </th>
  );
}

/** What follows from the traits of each, as bars beside each other. */
function Consequences({ subjects }: { subjects: readonly Subject[] }) {
  const header = useModPart((mod) => mod.header);
  const follows = subjects.map((subject) => consequences(subject, header));
  return itemAt(follows, 0).map(({ what, most }, i) => {
    const row = follows.map((list) => itemAt(list, i));
    const longest = most ?? Math.max(...row.map(({ value }) => value ?? 0), 1e-9);
    return (
      <tr key={what} className={styles['follows']}>
        <th scope="row">{what}</th>
        {row.map(({ value, text }, s) => (
          <td key={itemAt(subjects, s).key}>
            <u style={{ width: `${((value ?? 0) / longest) * 100}%` }} />
            <span>{text}</span>
          </td>
        ))}
      </tr>
    );
  });
}

function TraitRow({ column, subjects }: { column: Column; subjects: readonly Subject[] }) {
  const { trait, words, unit } = column;
  const header = useModPart((mod) => mod.header);
  const first = itemAt(subjects, 0).traits[trait];
  const isMarked = differs(subjects, trait);
  return (
    <tr className={isMarked ? styles['differs'] : undefined}>
      <th scope="row">
        {words}
        {unit && <em> {unit}</em>}
        {isMarked && <span className={styles['mark']} title="differs" aria-label="differs" />}
      </th>
      {subjects.map(({ key, traits }) => (
        <td key={key} className={!sameData(traits[trait], first) ? styles['other'] : undefined}>
          {trait === 'mapColour' && <i style={{ background: cellText(traits[trait]) }} />}
          {cellInWords(trait, traits[trait], header)}
        </td>
      ))}
    </tr>
  );
}
