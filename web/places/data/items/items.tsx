import { useMemo, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { idOf, lookUp, newItem, titleOf, type Item, type Mod } from '../../../../core/mod/index.ts';
import { spokenName } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { ItemIcon } from '../../../parts/item.tsx';
import { ListPage, type ListSection } from '../list-page.tsx';
import { NewEntry } from '../new-entry.tsx';
import { OneItem } from './one-item.tsx';

/** The items that are not blocks: plain ones, tools of the ladder, buckets. */
export function Items() {
  const mod = useMod();
  const { item: open } = useParams();
  const [filter, setFilter] = useState('');
  const sections = useMemo(() => sectionsOf(mod, filter), [mod, filter]);
  const item = open === undefined ? undefined : lookUp(mod.items, open);
  return (
    <ListPage
      what="item"
      whats="items"
      home={`/m/${mod.header.namespace}/data/items`}
      sections={sections}
      total={Object.keys(mod.items).length}
      filter={filter}
      onFilter={setFilter}
      open={open}
      action={<NewItem />}
      about={
        'An item is what players hold and is no block: a bar of metal, a seed, a tool, a ' +
        'bucket. Blocks drop them, recipes take and give them.'
      }
    >
      {item && open !== undefined && <OneItem key={open} name={open} item={item} />}
    </ListPage>
  );
}

function NewItem() {
  const mod = useMod();
  const session = useSession();
  const navigate = useNavigate();
  return (
    <NewEntry
      what="item"
      taken={(name) =>
        lookUp(mod.items, name) || lookUp(mod.blocks, name)
          ? 'There is already something of that name.'
          : undefined
      }
      onName={(name) => {
        session.edit(`Add the item ${name}`, newItem(session.view.mod, name, spokenName(name)));
        void navigate(`/m/${session.name}/data/items/${name}`);
      }}
    />
  );
}

/** The items under the catalogue groups that they are in, those in none last. */
function sectionsOf(mod: Mod, filter: string): ListSection[] {
  const wanted = filter.trim().toLowerCase();
  const { groups, namespace } = mod.header;
  const items = Object.entries(mod.items)
    .map(([name, item]) => ({ name, item, title: titleOf(mod, name, item.names) }))
    .filter(({ name, title }) => name.includes(wanted) || title.toLowerCase().includes(wanted))
    .sort((a, b) => a.title.localeCompare(b.title, 'en'))
    .map(({ name, item, title }) => ({
      name,
      title,
      tooltip: title,
      icon: <ItemIcon id={idOf(namespace, name)} size={26} />,
      aside: kindWord(item),
      group: item.group,
    }));
  const known = new Set(groups.map(({ name }) => name));
  const sections = groups.map(({ name, names }) => ({
    heading: titleOf(mod, name, names),
    entries: items.filter(({ group }) => group === name),
  }));
  const others = items.filter(({ group }) => group === undefined || !known.has(group));
  return [...sections, { heading: 'In no group', entries: others }].filter(
    ({ entries }) => entries.length > 0,
  );
}

const kindWord = ({ tool, bucket }: Item): string => (tool ? tool.kind : bucket ? 'bucket' : '');
