import { useNavigate } from 'react-router';
import { ownName } from '../../../core/mod/index.ts';
import { ownModelFor } from '../../../core/models/index.ts';
import { deskPath } from '../../api/address.ts';
import { useSession } from '../../api/hooks.tsx';

/**
 * Goes to the desk of a model that a block shows. A template stays as it is for others: the block
 * gets a model of its own that starts from it.
 */
export function useToDesk(block: string): (model: string) => void {
  const session = useSession();
  const navigate = useNavigate();
  return (id) => {
    const { mod } = session.view;
    const own = ownName(mod.header.namespace, id);
    const { changes, model } =
      own === undefined ? ownModelFor(mod, block, id) : { changes: [], model: own };
    if (changes.length) session.edit(`Make a model of its own from ${id}`, changes);
    void navigate(`/m/${session.name}/${deskPath(model)}?block=${block}`);
  };
}
