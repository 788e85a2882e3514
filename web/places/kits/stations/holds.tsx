import { Select } from '@mantine/core';
import clsx from 'clsx';
import { Link } from 'react-router';
import { askedOf, limitsOf, type Asked } from '../../../../core/kits/index.ts';
import { recipeKinds, type OwnKit } from '../../../../core/mod/index.ts';
import { benchPath, deskPath, texturePath } from '../../../api/address.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import type { KitEdits } from '../use-kit.ts';
import { useTyped } from '../../../parts/use-typed.ts';
import styles from '../kits.module.css';

type Limits = NonNullable<OwnKit['limits']>;

/** What the engine holds beside what the mod asks of it. */
export function HoldsStation({ edits }: { edits: KitEdits }) {
  const mod = useMod();
  const asked = askedOf(mod, limitsOf(edits.own));
  const limits = edits.own.limits ?? {};
  const put = <Key extends keyof Limits>(key: Key, value: Limits[Key] | undefined) => {
    const { [key]: _, ...others } = limits;
    edits.put(
      'What the engine holds',
      'limits',
      value === undefined ? others : { ...others, [key]: value },
    );
  };
  const over = asked.filter(({ isHeld }) => !isHeld).length;
  return (
    <section className={styles['station']} aria-label="Holds">
      <p>
        {over === 0
          ? 'The engine holds all that this mod asks of it. Inspection finds what comes to lie beyond.'
          : 'In brick stands what this mod asks beyond what the engine holds.'}
      </p>
      <table className={styles['table']} aria-label="What the engine holds">
        <thead>
          <tr>
            <th scope="col">Of what</th>
            <th scope="col">The engine holds at most</th>
            <th scope="col">This mod asks</th>
            <th scope="col">Most of all</th>
          </tr>
        </thead>
        <tbody>
          {asked.map((one) => (
            <tr key={one.limit}>
              <th scope="row">{one.words}</th>
              <td>
                <LimitField asked={one} limits={limits} put={put} />
              </td>
              <td className={clsx(!one.isHeld && styles['over'])}>{one.asks || '—'}</td>
              <td>
                <By asked={one} />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function By({ asked: { by } }: { asked: Asked }) {
  const session = useSession();
  if (!by) return null;
  const path = {
    block: benchPath(by.name),
    model: deskPath(by.name),
    texture: texturePath(by.name),
    recipe: `data/recipes/${by.name}`,
  }[by.kind];
  return (
    <Link className="mono" to={`/m/${session.name}/${path}`}>
      {by.name}
    </Link>
  );
}

type Put = <Key extends keyof Limits>(key: Key, value: Limits[Key] | undefined) => void;
interface LimitProps {
  asked: Asked;
  limits: Limits;
  put: Put;
}

const bounds: Partial<Record<keyof Limits, readonly [least: number, most: number]>> = {
  states: [1, 65_536],
  stateCodeBits: [0, 32],
  boxes: [1, 4096],
  reach: [0, 4096],
  textureSide: [1, 4096],
  spinStep: [0, 90],
};

function LimitField({ asked: { limit, words, holds }, limits, put }: LimitProps) {
  switch (limit) {
    case 'states':
    case 'stateCodeBits':
    case 'boxes':
    case 'reach':
    case 'textureSide':
    case 'spinStep': {
      const [least, most] = bounds[limit] ?? [0, Infinity];
      return (
        <span className={styles['fields']}>
          <NumberField
            label={words}
            value={limits[limit] ?? (limit === 'spinStep' ? 0 : Number(holds.replaceAll(',', '')))}
            least={least}
            most={most}
            onNumber={(value) => put(limit, limit === 'spinStep' ? value : Math.round(value))}
          />
          {limit === 'spinStep' && <span className="soft">degrees; 0: any</span>}
          {limits[limit] === undefined && limit !== 'spinStep' && (
            <span className="soft">no bound said</span>
          )}
        </span>
      );
    }
    case 'pattern':
      return <PatternField pattern={limits.pattern} put={put} />;
    case 'recipes':
      return <RecipesField recipes={limits.recipes} put={put} />;
    case 'wholeShares':
      return (
        <Select
          aria-label={words}
          w={170}
          allowDeselect={false}
          data={[
            { value: 'any', label: 'any' },
            { value: 'whole', label: 'whole numbers' },
          ]}
          value={limits.wholeShares ? 'whole' : 'any'}
          onChange={(value) => put('wholeShares', value === 'whole' ? true : undefined)}
        />
      );
    default:
      return <WaysField orientations={limits.orientations} put={put} />;
  }
}

function PatternField({ pattern = [32, 32], put }: { pattern: Limits['pattern']; put: Put }) {
  const [across, down] = pattern;
  return (
    <span className={styles['fields']}>
      <NumberField
        label="Places across"
        value={across}
        least={1}
        most={32}
        onNumber={(value) => put('pattern', [Math.round(value), down])}
      />
      ×
      <NumberField
        label="Places down"
        value={down}
        least={1}
        most={32}
        onNumber={(value) => put('pattern', [across, Math.round(value)])}
      />
    </span>
  );
}

function RecipesField({
  recipes = [...recipeKinds],
  put,
}: {
  recipes: Limits['recipes'];
  put: Put;
}) {
  return (
    <span className={styles['fields']} role="group" aria-label="Kinds of recipes">
      {recipeKinds.map((kind) => {
        const has = recipes.includes(kind);
        const next = has
          ? recipes.filter((one) => one !== kind)
          : recipeKinds.filter((one) => one === kind || recipes.includes(one));
        return (
          <button
            key={kind}
            type="button"
            className="chip"
            aria-pressed={has}
            onClick={() =>
              put('recipes', next.length === recipeKinds.length ? undefined : [...next])
            }
          >
            {kind}
          </button>
        );
      })}
    </span>
  );
}

const ways = [
  { value: '24', label: 'all 24' },
  { value: '4', label: '4 about the vertical' },
  { value: 'angles', label: 'as angles say' },
];

function WaysField({ orientations, put }: { orientations: Limits['orientations']; put: Put }) {
  const angles = typeof orientations === 'object' ? orientations : undefined;
  const chosen = angles ? 'angles' : orientations === 4 ? '4' : '24';
  const choose = (value: string | null) => {
    if (value === 'angles') put('orientations', { about: ['x', 'y'] });
    else put('orientations', value === '4' ? 4 : undefined);
  };
  return (
    <span className={styles['fields']}>
      <Select
        aria-label="Ways in which a model stands"
        w={170}
        allowDeselect={false}
        data={ways}
        value={chosen}
        onChange={choose}
      />
      {angles && (
        <>
          <AxesField
            axes={angles.about}
            onAxes={(about) => put('orientations', { ...angles, about })}
          />
          <Select
            aria-label="Sense"
            w={150}
            allowDeselect={false}
            data={['counterclockwise', 'clockwise']}
            value={angles.sense ?? 'counterclockwise'}
            onChange={(sense) =>
              put('orientations', {
                ...angles,
                sense: sense === 'clockwise' ? 'clockwise' : undefined,
              })
            }
          />
          <Select
            aria-label="Unit"
            w={110}
            allowDeselect={false}
            data={['degrees', 'quarters']}
            value={angles.unit ?? 'degrees'}
            onChange={(unit) =>
              put('orientations', { ...angles, unit: unit === 'quarters' ? 'quarters' : undefined })
            }
          />
        </>
      )}
    </span>
  );
}

type Axes = ('x' | 'y' | 'z')[];

function AxesField({ axes, onAxes }: { axes: Axes; onAxes: (axes: Axes) => void }) {
  const [typed, setTyped] = useTyped(axes.join(''));
  const isOdd = !/^(?!.*(.).*\1)[xyz]{1,3}$/.test(typed);
  return (
    <input
      className="pick mono"
      aria-label="About which axes, in order"
      aria-invalid={isOdd}
      title={
        isOdd
          ? 'Name x, y and z, each once at most, in the order of the turns.'
          : 'About which axes, in order'
      }
      value={typed}
      onChange={(event) => {
        const next = event.currentTarget.value.toLowerCase();
        setTyped(next);
        if (/^(?!.*(.).*\1)[xyz]{1,3}$/.test(next)) onAxes([...next] as Axes);
      }}
    />
  );
}
