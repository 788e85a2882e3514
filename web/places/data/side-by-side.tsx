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
  type Traits,
} from '../../../core/mod/index.ts';
import { cellText, columns, type Subject } from '../../../core/table/index.ts';
import {
  charges,
  digTime,
  oddsInTheOpen,
  slide,
  toolName,
  toolsOf,
} from '../../../core/traits/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { Choice } from '../../parts/choice/index.tsx';

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

/**
 * Two to six blocks or materials beside each other: what follows from them, and every trait, with
 * the differences marked.
 */
export function SideBySide({
  subjects,
  onSubjects,
}: {
  subjects: Subject[];
  onSubjects: (keys: string[]) => void;
}) {
  const mod = useMod();
  const session = useSession();
  const [only, setOnly] = useLocalStorage({
    key: 'obrank.table.differences',
    defaultValue: false,
    getInitialValueInEffect: false,
  });
  const keys = subjects.map((one) => one.key);
  const follows = subjects.map((one) => consequences(one, mod.header));
  const rows = columns.map((column) => ({
    ...column,
    differs: subjects.some(
      (one) => !sameData(one.traits[column.trait], itemAt(subjects, 0).traits[column.trait]),
    ),
  }));
  const differing = rows.filter((row) => row.differs).length;
  const more = [
    ...Object.entries(mod.blocks).map(([name, block]) => ({
      value: name,
      label: titleOf(mod, name, block.names),
    })),
    ...stocks.map((stock) => ({ value: `stock/${stock.name}`, label: `${stock.title}, stock` })),
  ].filter(({ value }) => !keys.includes(value));
  return (
    <div className="beside">
      <div className="beside-bar">
        <Button variant="default" onClick={() => onSubjects([])}>
          Back to the table
        </Button>
        {keys.length < mostSubjects && (
          <Choice
            aria-label="Add to the comparison"
            placeholder="Add a block or stock"
            w={200}
            data={more}
            value={null}
            onTake={(key) => onSubjects([...keys, key])}
          />
        )}
        <Switch
          label="Only what differs"
          checked={only}
          onChange={(event) => setOnly(event.currentTarget.checked)}
        />
        <span className="note">
          {differing} of {rows.length} traits differ.
        </span>
      </div>
      <table aria-label="Side by side">
        <thead>
          <tr>
            <th />
            {subjects.map((one) => (
              <th key={one.key} scope="col">
                <div className="subject">
                  {one.block ? (
                    <Rendering block={one.key} state={0} size={58} fills />
                  ) : (
                    <i style={{ background: one.traits.mapColour }} />
                  )}
                  <span>
                    {one.block ? (
                      <Link to={`/m/${session.name}/blocks/${one.key}/traits`}>{one.title}</Link>
                    ) : (
                      one.title
                    )}
                    <em>
                      {one.block
                        ? one.block.declared.identity.stock
                          ? `from ${one.block.declared.identity.stock}`
                          : 'from no stock'
                        : 'stock'}
                    </em>
                  </span>
                  {keys.length > 2 && (
                    <button
                      type="button"
                      className="tiny"
                      aria-label={`Leave out ${one.title}`}
                      onClick={() => onSubjects(keys.filter((key) => key !== one.key))}
                    >
                      ×
                    </button>
                  )}
                </div>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {itemAt(follows, 0).map(({ what }, i) => {
            const most =
              itemAt(itemAt(follows, 0), i).most ??
              Math.max(...follows.map((list) => itemAt(list, i).value ?? 0), 1e-9);
            return (
              <tr key={what} className="follows">
                <th scope="row">{what}</th>
                {follows.map((list, s) => (
                  <td key={keys[s]}>
                    <u style={{ width: `${((itemAt(list, i).value ?? 0) / most) * 100}%` }} />
                    <span>{itemAt(list, i).text}</span>
                  </td>
                ))}
              </tr>
            );
          })}
          {rows
            .filter((row) => row.differs || !only)
            .map(({ trait, words, unit, differs }) => (
              <tr key={trait} className={differs ? 'differs' : undefined}>
                <th scope="row">
                  {words}
                  {unit && <em> {unit}</em>}
                  {differs && <span className="mark" title="differs" aria-label="differs" />}
                </th>
                {subjects.map((one) => (
                  <td
                    key={one.key}
                    className={
                      sameData(one.traits[trait], itemAt(subjects, 0).traits[trait])
                        ? undefined
                        : 'other'
                    }
                  >
                    {trait === 'mapColour' && (
                      <i style={{ background: cellText(one.traits[trait]) }} />
                    )}
                    {cellText(one.traits[trait])}
                  </td>
                ))}
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  );
}
