import clsx from 'clsx';
import { Link } from 'react-router';
import { silenceFinding, type Finding } from '../../../core/inspect/index.ts';
import { benchPath, kitPath } from '../../api/address.ts';
import { kitFor } from '../../../core/kits/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { Mends } from '../../parts/mends.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { defaultStateOf } from '../blocks/default-state.ts';
import { Reason } from './reason.tsx';
import styles from './inspection.module.css';

/** Where a kit of the mod's own is mended that a finding is about. */
function kitOf({ at = '' }: Finding): string | undefined {
  const [, kind, name = ''] = at.split('/').map((step) => step.replaceAll('~1', '/'));
  if (kind === 'kits') return kitPath(name);
  if (kind !== 'kitFiles') return undefined;
  const [kit = '', ...file] = name.split('/');
  return `${kitPath(kit)}?file=${encodeURIComponent(file.join('/'))}`;
}

/** One finding: what it is about, drawn; the sentence; its fix, and the way to silence it. */
export function FindingLine({ finding }: { finding: Finding }) {
  const session = useSession();
  const mod = useMod();
  const { block, message, file, place, rule, kits } = finding;
  const to = block === undefined ? kitOf(finding) : benchPath(block, finding.facet);
  return (
    <li data-finding tabIndex={-1}>
      {block !== undefined && (
        <Rendering block={block} state={defaultStateOf(mod, block)} size={30} fills />
      )}
      <span className={styles['says']}>
        {to === undefined ? message : <Link to={`/m/${session.name}/${to}`}>{message}</Link>}
        {kits?.map((name) => (
          <span key={name} className={clsx('tag hint', styles['kit'])}>
            {kitFor(mod, name).title}
          </span>
        ))}
        {file !== undefined && (
          <span className={clsx('mono soft', styles['file'])}>
            {file}:{place?.line}:{place?.column}
          </span>
        )}
      </span>
      <Mends finding={finding} />
      <Reason
        label="Why this need not be told"
        acts={[
          {
            title: 'Silence it',
            act: (why) =>
              session.edit(
                `Silence a finding of ${rule}`,
                silenceFinding(session.view.mod, finding, why),
              ),
          },
        ]}
        button={(open) => (
          <button type="button" className={styles['silence']} onClick={open}>
            Silence…
          </button>
        )}
      />
    </li>
  );
}
