import { Button, SegmentedControl } from '@mantine/core';
import clsx from 'clsx';
import { Link } from 'react-router';
import { kitFor } from '../../../../core/kits/index.ts';
import { fittedShapes, type Fit } from '../../../../core/models/index.ts';
import { titleOf } from '../../../../core/mod/index.ts';
import { deskPath } from '../../../api/address.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Curve } from '../../../parts/curve/curve.tsx';
import { Field } from '../../../parts/field.tsx';
import type { Acts } from '../acts.ts';
import { useDesk } from '../desk-state.ts';
import { boxesInWords, type ShapeDesk } from '../shape-state.ts';
import { Measures } from './boxes.tsx';
import styles from './fit.module.css';

const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** What people bump into and point at: how many boxes, how far off, what they cost. */
export function FitStation({ shape, acts }: { shape: ShapeDesk | undefined; acts: Acts }) {
  if (!shape)
    return (
      <p className="note">
        No block shows this model alone in any of its states, so there is nothing that one could
        bump into. A block of several layers is fitted as a whole: on its bench, under Traits.
      </p>
    );
  const { which, setWhich, block, desk, fits, model } = shape;
  const mod = desk.mod;
  return (
    <>
      <p className="note">What people bump into and point at: close enough, and cheap.</p>
      <SegmentedControl
        fullWidth
        mt="xs"
        aria-label="Shape"
        value={which}
        onChange={(next) => setWhich(next)}
        data={[
          { value: 'outline', label: 'Outline: pointed at' },
          { value: 'collision', label: 'Collision: bumped into' },
        ]}
      />
      <Now shape={shape} acts={acts} />
      {!fits && <p className="note">Looking for boxes that cover it …</p>}
      {fits?.length === 0 && <p className="note">It shows nothing that one could bump into.</p>}
      {fits && fits.length > 0 && <Fits shape={shape} fits={fits} />}
      <Cost boxes={desk.boxes.length} of={model.length} shape={shape} />
      <p className="note">
        It is the shape of <b>{titleOf(mod, block.name, block.declared.names)}</b> wherever that
        shows this model alone.
      </p>
      <OtherModels shape={shape} />
    </>
  );
}

/** The shape on the desk in words, and the chosen box of it. */
function Now({ shape: { off, desk, which, tried }, acts }: { shape: ShapeDesk; acts: Acts }) {
  const { chosen } = useDesk();
  const { air, bump, through } = off;
  return (
    <>
      <div className={styles['now']}>
        <b>{which === 'outline' ? 'Outline' : 'Collision'}</b>
        <span className="mono">
          {boxesInWords(desk.boxes.length)}
          {tried === undefined ? '' : ', tried'}
        </span>
      </div>
      <p className={styles['says']}>
        <b>Air</b>{' '}
        {bump ? `${percent(air)}, at most ${bump.by.toFixed(1)} texels from the model` : 'nowhere'}.{' '}
        <b>Reached through</b> {through ? `up to ${through.by.toFixed(1)} texels deep` : 'nowhere'}.
      </p>
      {chosen.size > 0 ? (
        <Measures />
      ) : (
        <p className="note">
          Choose one of its boxes on the stage or on a plan to change it by hand, or{' '}
          <button type="button" className="link plain" onClick={acts.add}>
            add one
          </button>
          .
        </p>
      )}
    </>
  );
}

interface FitsProps {
  shape: ShapeDesk;
  fits: readonly Fit[];
}

function Fits({ shape: { tried, tryOut, use, which }, fits }: FitsProps) {
  const fit = tried === undefined ? undefined : fits[tried - 1];
  const words = fit && boxesInWords(fit.boxes.length);
  return (
    <section aria-label="Fits">
      <h3 className="part">Fitted to the model</h3>
      <div className={styles['fits']} role="radiogroup" aria-label="Boxes that cover the model">
        {fits.map(({ air, deepest }, i) => (
          <label key={i} className={clsx(styles['fit'], tried === i + 1 && styles['chosen'])}>
            <input
              type="radio"
              name="fit"
              checked={tried === i + 1}
              onChange={() => tryOut(i + 1)}
            />
            <span>{boxesInWords(i + 1)}</span>
            <span className="mono">{percent(air)} air</span>
            <span className="mono soft">{deepest.toFixed(1)} off</span>
          </label>
        ))}
      </div>
      {fits.length > 1 && (
        <Curve
          label="Air by the number of boxes"
          x={{ label: 'boxes', values: fits.map((_, i) => i + 1) }}
          y="air"
          most={1}
          say={percent}
          bars
          lines={[{ name: 'Air in the shape', values: fits.map(({ air }) => air) }]}
        />
      )}
      {fit && <p className={styles['says']}>{advice(fits, fits.indexOf(fit))}</p>}
      {fit && (
        <div className={styles['acts']}>
          <Button onClick={() => use(`Fit the ${which} with ${words}`, fit.boxes, [which])}>
            Use for the {which}
          </Button>
          <Button
            variant="default"
            onClick={() => use(`Fit both with ${words}`, fit.boxes, ['outline', 'collision'])}
          >
            Use for both
          </Button>
          <button type="button" className="tiny" onClick={() => tryOut(undefined)}>
            Leave it
          </button>
        </div>
      )}
    </section>
  );
}

/** What one box more would take away, and from where on nothing is gained. */
function advice(fits: readonly Fit[], chosen: number): string {
  const air = fits[chosen]?.air ?? 0;
  if (air < 0.005) return 'It is the model itself.';
  const next = fits[chosen + 1];
  if (!next) return 'With more boxes it would cost more than it is worth.';
  const enough = fits.findIndex((one, i) => {
    const after = fits[i + 1];
    return !after || one.air - after.air < 0.02;
  });
  const gained = `One box more would take ${Math.round((air - next.air) * 100)} of ${percent(air)} away.`;
  return enough > chosen ? `${gained} Above ${enough + 1} little is gained.` : gained;
}

function Cost({ boxes, of, shape: { block } }: { boxes: number; of: number; shape: ShapeDesk }) {
  const mod = useMod();
  const kit = kitFor(mod);
  return (
    <>
      <Field
        label="Cost"
        value={
          <span className="mono">
            {boxes} of {boxesInWords(of)}
          </span>
        }
        note={
          'The game asks every box of it whenever somebody moves or looks there. ' +
          `${kit.title} writes them turned for each of ${block.space.size} states.`
        }
      />
    </>
  );
}

/** Where a block shows several models: the others, and all of them at once. */
function OtherModels({ shape: { block, use: _, desk, tried, which } }: { shape: ShapeDesk }) {
  const session = useSession();
  const models = [
    ...new Set(block.looks.rows.flatMap(({ value }) => value.map(({ model }) => model))),
  ];
  if (models.length < 2) return null;
  const { namespace } = desk.mod.header;
  const fitAll = () => {
    const rows = fittedShapes(session.view.mod, block, tried ?? 2)?.at(-1)?.rows;
    if (!rows) return;
    const before = session.view.mod.blocks[block.name]?.shapes;
    session.set(`Fit the ${which} of every model`, ['blocks', block.name, 'shapes'], {
      ...before,
      [which]: rows,
    });
  };
  return (
    <Field label="It also shows" value={<span className="mono">{models.length - 1} more</span>}>
      <p className="note">
        {models
          .filter((id) => id !== desk.id && id.startsWith(`${namespace}:`))
          .slice(0, 8)
          .map((id, i) => {
            const name = id.slice(namespace.length + 1);
            return (
              <span key={id}>
                {i > 0 && ', '}
                <Link
                  to={`/m/${session.name}/${deskPath(name, 'fit')}?block=${block.name}`}
                  className="link plain"
                >
                  {name}
                </Link>
              </span>
            );
          })}
      </p>
      <Button variant="default" onClick={fitAll}>
        Fit all with {boxesInWords(tried ?? 2)} at most
      </Button>
    </Field>
  );
}
