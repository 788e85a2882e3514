import { Button } from '@mantine/core';
import { useMemo, useState } from 'react';
import { nameProblem } from '../../../../core/mod/names.ts';
import { namespaceMove, renameNamespace } from '../../../../core/take-over/index.ts';
import { count, messageOf } from '../../../../core/words/index.ts';
import { useDeclared, useSession } from '../../../api/hooks.tsx';
import { CommitField } from '../../../parts/commit-field.tsx';
import { Field } from '../../../parts/field.tsx';
import type { LineProps } from './settings.tsx';
import styles from './settings.module.css';

/** What every id begins with. Everything that names something follows; that is said first. */
export function NamespaceLine({ header: { namespace } }: LineProps) {
  const session = useSession();
  const [wanted, setWanted] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const rename = (next: string) => {
    try {
      const changes = renameNamespace(session.view.declared, next);
      session.editDeclared(`Rename the namespace to ${next}`, changes);
      setWanted(undefined);
    } catch (error) {
      setProblem(messageOf(error));
    }
  };
  return (
    <Field
      label="Namespace"
      value={
        <CommitField
          w={320}
          aria-label="Namespace"
          classNames={{ input: 'mono' }}
          maxLength={64}
          text={wanted ?? namespace}
          check={nameProblem}
          onText={(next) => {
            setProblem(undefined);
            setWanted(next === namespace ? undefined : next);
          }}
        />
      }
      note={wanted === undefined ? 'Every id begins with it, as in the names of files.' : undefined}
    >
      {wanted !== undefined && (
        <div className={styles['follows']} role="status">
          <span>
            <Follows namespace={wanted} />
            {problem !== undefined && <span className={styles['wrong']}> {problem}</span>}
          </span>
          <Button onClick={() => rename(wanted)}>Rename it</Button>
          <Button variant="default" onClick={() => setWanted(undefined)}>
            Leave it
          </Button>
        </div>
      )}
    </Field>
  );
}

/** What follows from another namespace. */
function Follows({ namespace }: { namespace: string }) {
  const declared = useDeclared();
  const { places, registered } = useMemo(() => namespaceMove(declared), [declared]);
  return (
    <>
      {count(places, 'place')} that name something of this mod follow. Saved worlds know{' '}
      {count(registered, 'registered thing')} by the old ids: the ledger keeps them, and they lead
      to <span className="mono">{namespace}</span>.
    </>
  );
}
