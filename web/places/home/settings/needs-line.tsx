import { isVersionRange } from '../../../../core/mod/version.ts';
import { nameProblem, type Header } from '../../../../core/mod/index.ts';
import { count } from '../../../../core/words/index.ts';
import { namedElsewhere } from '../../../../core/mod/references.ts';
import { useModPart, useSession } from '../../../api/hooks.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import type { LineProps } from './settings.tsx';
import styles from './settings.module.css';

type Need = NonNullable<Header['needs']>[number];

/** Other mods that this one needs, each with the versions that will do. */
export function NeedsLine({ header: { needs = [], namespace } }: LineProps) {
  const session = useSession();
  const put = (label: string, next: Need[]) =>
    session.set(label, ['header', 'needs'], next.length ? next : undefined);
  const add = (other: string) => put(`Need the mod ${other}`, [...needs, { namespace: other }]);
  const isNew = (other: string) =>
    other === ''
      ? undefined
      : (nameProblem(other) ??
        (other === namespace ? 'A mod does not need itself.' : undefined) ??
        (needs.some((need) => need.namespace === other) ? 'It stands in the list.' : undefined));
  return (
    <Field
      label="Needs the mods"
      value={
        <CommitField
          key={needs.length}
          w={180}
          aria-label="Another mod that is needed"
          placeholder="namespace, then Enter"
          classNames={{ input: 'mono' }}
          text=""
          check={isNew}
          onText={add}
        />
      }
      note="What it names of other mods is there only when these are. Without versions any will do."
    >
      {needs.map((need) => (
        <NeedLine
          key={need.namespace}
          need={need}
          onNeed={(next) =>
            put(
              `Change which ${need.namespace} is needed`,
              needs.map((one) => (one === need ? next : one)),
            )
          }
          onDrop={() =>
            put(
              `No longer need ${need.namespace}`,
              needs.filter((one) => one !== need),
            )
          }
        />
      ))}
    </Field>
  );
}

function NeedLine({
  need,
  onNeed,
  onDrop,
}: {
  need: Need;
  onNeed: (need: Need) => void;
  onDrop: () => void;
}) {
  const { namespace, versions } = need;
  const named = useModPart((mod) => namedElsewhere(mod, namespace));
  const setVersions = (text: string) => {
    const { versions: _, ...rest } = need;
    onNeed(text.trim() === '' ? rest : { ...rest, versions: text.trim() });
  };
  return (
    <div className={styles['need']}>
      <span className="mono">{namespace}</span>
      <span className="soft">
        {named ? `${count(named, 'place')} name it` : 'nothing of it is named'}
      </span>
      <CommitField
        w={150}
        aria-label={`Versions of ${namespace}`}
        placeholder="any version"
        classNames={{ input: 'mono' }}
        maxLength={200}
        text={versions ?? ''}
        check={(text) =>
          text.trim() === '' || isVersionRange(text)
            ? undefined
            : 'A range is like ^1.2.0 or >=1.2.0 <2.0.0.'
        }
        onText={setVersions}
      />
      <button
        type="button"
        className="tiny"
        aria-label={`No longer need ${namespace}`}
        onClick={onDrop}
      >
        ×
      </button>
    </div>
  );
}
