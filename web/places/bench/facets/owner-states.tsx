import { Button } from '@mantine/core';
import { Link, useNavigate } from 'react-router';
import { pointer } from '../../../../core/json/index.ts';
import { isOverStock, lookUp, stepsToShown } from '../../../../core/mod/index.ts';
import { valueCount, valuesOf, type Property } from '../../../../core/states/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import type { FacetProps } from './index.tsx';
import styles from './owner-states.module.css';

/** The states of a block that belongs to others: as its owner says them, to be read only. */
export function OwnerStates({ editor: { name, block } }: FacetProps) {
  const mod = useMod();
  const { properties } = block.space;
  const isKnown = isOverStock(name) || lookUp(mod.newLooks, name)?.states !== undefined;
  return (
    <>
      {!isKnown && <Unknown id={block.id} />}
      {isKnown && properties.length === 0 && (
        <p className="note">
          It has one state{isOverStock(name) ? ', like every stock material' : ''}.
        </p>
      )}
      <ul className={styles['properties']} aria-label="Properties">
        {properties.map((property) => (
          <OneProperty key={property.name} property={property} />
        ))}
      </ul>
      {properties.length > 0 && (
        <p className="note">
          {properties.map(valueCount).join(' × ')} = {count(block.space.trueSize, 'state')}, as the
          mod of {block.id} declares them. Read it beside this one to see whether that still holds.
        </p>
      )}
      <RemoveLook name={name} id={block.id} />
    </>
  );
}

/** How one comes to know the states. */
function Unknown({ id }: { id: string }) {
  const session = useSession();
  return (
    <div className={styles['unknown']}>
      <b>Which states {id} has is not known yet</b>
      <p>
        Until then no row of its look is checked. Open the mod that it belongs to, choose{' '}
        <b>Take over…</b>, and lay it <b>Beside</b> this one: there its states are one press away.
      </p>
      <Button component={Link} variant="default" to={`/m/${session.name}/inspection/pack`}>
        Open the other mod…
      </Button>
    </div>
  );
}

const OneProperty = ({ property }: { property: Property }) => (
  <li>
    <b className="mono">{property.name}</b>
    <span className="note">{property.kind}</span>
    <span className={styles['values']}>
      {property.kind === 'number' ? (
        <span>
          {property.min} to {property.max}, usually {property.default}
        </span>
      ) : (
        valuesOf(property).map((value) => (
          <span
            key={String(value)}
            className={value === property.default ? styles['usual'] : undefined}
            title={value === property.default ? 'its default' : undefined}
          >
            {String(value)}
          </span>
        ))
      )}
    </span>
    {property.byCode && <span className="note">changed by code</span>}
  </li>
);

function RemoveLook({ name, id }: { name: string; id: string }) {
  const session = useSession();
  const navigate = useNavigate();
  const remove = () => {
    const before = lookUp(session.view.mod.newLooks, name);
    session.edit(`Remove the new look of ${id}`, [{ path: pointer(stepsToShown(name)), before }]);
    void navigate(`/m/${session.name}/blocks`);
  };
  return (
    <div className={styles['foot']}>
      <Button variant="subtle" color="brick" onClick={remove}>
        Remove this new look
      </Button>
    </div>
  );
}
