import { builtKits } from '../../../core/kits/index.ts';
import { useFindings, useMod } from '../../api/hooks.tsx';
import { FindingsTag } from '../../parts/findings-tag.tsx';
import styles from './sheet.module.css';

/** What each kit that the mod is built for says of what the sheet shows; nothing for a single one. */
export function SheetKits({ block }: { block: string | undefined }) {
  const mod = useMod();
  const findings = useFindings();
  const kits = builtKits(mod);
  if (kits.length < 2) return null;
  return (
    <ul className={styles['kits']} aria-label="What each kit says of it">
      {kits.map(({ name, title }) => (
        <li key={name}>
          {title}{' '}
          <FindingsTag
            findings={findings?.filter(
              (one) =>
                one.block !== undefined &&
                (block === undefined || one.block === block) &&
                (!one.kits || one.kits.includes(name)),
            )}
          />
        </li>
      ))}
    </ul>
  );
}
