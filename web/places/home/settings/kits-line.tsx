import { Checkbox } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { Finding } from '../../../../core/inspect/index.ts';
import { kitFor, kitsFor } from '../../../../core/kits/index.ts';
import { kitsOf } from '../../../../core/mod/kits-of.ts';
import type { Header } from '../../../../core/mod/index.ts';
import { useFindings, useInspector, useMod, useSession } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { FindingsTag } from '../../../parts/findings-tag.tsx';
import type { LineProps } from './settings.tsx';
import styles from './settings.module.css';

/** What the mod is built for, each with how it stands there; one is asked while one types. */
export function KitsLine({ header }: LineProps) {
  const session = useSession();
  const mod = useMod();
  const chosen = kitsOf(header);
  const put = (label: string, [kit, ...others]: string[]) => {
    if (kit === undefined) return;
    session.edit(label, [
      { path: '/header/kit', before: header.kit, after: kit },
      {
        path: '/header/alsoFor',
        before: header.alsoFor,
        after: others.length ? others : undefined,
      },
    ]);
  };
  const toggle = (name: string) =>
    chosen.includes(name)
      ? put(
          `No longer build for ${kitFor(mod, name).title}`,
          chosen.filter((one) => one !== name),
        )
      : put(`Build for ${kitFor(mod, name).title} too`, [...chosen, name]);
  const askFirst = (name: string) =>
    put(`Ask ${kitFor(mod, name).title} first`, [name, ...chosen.filter((one) => one !== name)]);
  return (
    <Field
      label="Built for"
      note="What the first target cannot hold is found while you type; of the others it is told here."
    >
      {kitsFor(mod).map(({ name, title }) => (
        <div key={name} className={styles['kit']}>
          <Checkbox
            label={title}
            checked={chosen.includes(name)}
            disabled={chosen.length === 1 && chosen[0] === name}
            onChange={() => toggle(name)}
          />
          {chosen.includes(name) ? <KitState header={header} name={name} /> : <span />}
          {chosen.length > 1 && chosen.includes(name) && (
            <button
              type="button"
              className="chip"
              aria-pressed={chosen[0] === name}
              onClick={() => chosen[0] !== name && askFirst(name)}
            >
              {chosen[0] === name ? 'Asked first' : 'Ask first'}
            </button>
          )}
        </div>
      ))}
    </Field>
  );
}

/** What is found of the mod for a kit. */
function KitState({ header, name }: { header: Header; name: string }) {
  const findings = useFindings();
  const inspector = useInspector();
  const isFirst = header.kit === name;
  const [found, setFound] = useState<Finding[]>();
  useEffect(() => {
    if (isFirst || !findings) return;
    let wanted = true;
    void inspector.forKit(name).then((all) => wanted && setFound(all));
    return () => {
      wanted = false;
    };
    // Asked again whenever the mod was inspected.
  }, [isFirst, findings, inspector, name]);
  return <FindingsTag findings={isFirst ? findings : found} />;
}
