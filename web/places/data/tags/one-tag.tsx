import { Button, Popover, TagsInput } from '@mantine/core';
import { pointer } from '../../../../core/json/index.ts';
import { idOf, lookUp, ownName, type Tag, type TagKind } from '../../../../core/mod/index.ts';
import { foreignMembers, membersOf, needsOf, type Need } from '../../../../core/tags/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useFindings, useMod, useSession } from '../../../api/hooks.tsx';
import { ItemIcon, itemTitle } from '../../../parts/item.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import { Found } from '../found.tsx';
import styles from './tags.module.css';
import iconRowStyles from '../../../parts/icon-row.module.css';

/** So many members are shown. */
const mostShown = 40;

interface TagProps {
  kind: TagKind;
  tag: string;
  onTag: (tag: string | undefined) => void;
}

/** One tag: what it is for, who needs it, what is in it, what of other mods. */
export function OneTag(props: TagProps) {
  const { kind, tag, onTag } = props;
  const mod = useMod();
  const own = ownName(mod.header.namespace, tag);
  const entry = own === undefined ? undefined : lookUp(mod[kind], own);
  const members = [...(membersOf(mod, kind).get(tag) ?? [])];
  const needs = needsOf(mod, kind).get(tag) ?? [];
  const held = entry && own !== undefined ? { ...props, name: own, entry } : undefined;
  return (
    <>
      <div className={styles['tag-title']}>
        <b className="mono">{tag}</b>
        <button
          type="button"
          className="tiny"
          onClick={() => onTag(undefined)}
          aria-label="Close the tag"
        >
          ×
        </button>
      </div>
      {own === undefined && (
        <p className="note">
          A tag of another mod. The pack adds {count(members.length, 'member')} to it.
        </p>
      )}
      {own !== undefined && !entry && <Declare kind={kind} name={own} />}
      {held && <Purpose {...held} />}
      <WhoNeeds needs={needs} />
      <Members members={members} />
      {held && <OfOtherMods {...held} />}
      {own !== undefined && <Findings path={pointer([kind, own])} />}
      {held && <Remove {...held} isUsed={needs.length > 0 || members.length > 0} />}
    </>
  );
}

/** What the parts of a tag that the mod declares are given. */
interface HeldProps extends TagProps {
  name: string;
  entry: Tag;
}

function Declare({ kind, name }: { kind: TagKind; name: string }) {
  const session = useSession();
  return (
    <p className="note">
      Nobody declared it yet.{' '}
      <button
        type="button"
        className="link"
        onClick={() => session.set(`Declare the tag ${name}`, [kind, name], {})}
      >
        Declare it
      </button>
    </p>
  );
}

function Purpose({ kind, tag, name, entry, onTag }: HeldProps) {
  const session = useSession();
  const { namespace } = useMod().header;
  return (
    <>
      <TextField
        long
        text={entry.note ?? ''}
        placeholder="What it is for."
        onText={(text) => session.set('Change the note', [kind, name, 'note'], text || undefined)}
      />
      <div className={styles['tag-rename']}>
        <RenameField
          kind={kind}
          name={name}
          id={tag}
          note="Recipes, tools and other mods know it by this."
          onRenamed={(to) => onTag(idOf(namespace, to))}
        />
      </div>
    </>
  );
}

function needInWords({ what, name }: Need): string {
  if (what === 'tool') return `Every ${name} looks here for what it digs.`;
  return what === 'recipe' ? `The recipe ${name} takes it.` : `The tag ${name} holds it.`;
}

const WhoNeeds = ({ needs }: { needs: readonly Need[] }) => (
  <>
    <h2 className="part">Who needs it</h2>
    {needs.length ? (
      <ul className={styles['tag-needs']}>
        {needs.map((need) => (
          <li key={`${need.what} ${need.name}`}>{needInWords(need)}</li>
        ))}
      </ul>
    ) : (
      <p className="note inline">Nobody in this mod. Other mods may.</p>
    )}
  </>
);

function Members({ members }: { members: readonly string[] }) {
  const mod = useMod();
  return (
    <>
      <h2 className="part">{count(members.length, 'member')}</h2>
      <div className={iconRowStyles['icon-row']}>
        {members.slice(0, mostShown).map((member) => (
          <span key={member} className={iconRowStyles['one']} title={member}>
            {!member.startsWith('#') && <ItemIcon id={member} size={20} />}
            {itemTitle(mod, member)}
          </span>
        ))}
        {members.length > mostShown && (
          <span className="note">and {members.length - mostShown} more</span>
        )}
      </div>
    </>
  );
}

function OfOtherMods({ kind, name, entry }: HeldProps) {
  const session = useSession();
  const { namespace } = useMod().header;
  const members = entry.members ?? [];
  const foreign = foreignMembers(namespace, members);
  const put = (typed: readonly string[]) => {
    const kept = members.filter((member) => !foreign.includes(member));
    const next = [...kept, ...foreignMembers(namespace, typed)];
    const after = next.length ? next : undefined;
    session.set('Change the members of other mods', [kind, name, 'members'], after);
  };
  return (
    <>
      <h2 className="part">Of other mods</h2>
      <TagsInput
        aria-label="Members of other mods"
        placeholder="driftwood:shiny, #driftwood:bright"
        value={foreign}
        acceptValueOnBlur={false}
        onChange={put}
      />
    </>
  );
}

function Findings({ path }: { path: string }) {
  const findings = useFindings() ?? [];
  return (
    <Found findings={findings.filter(({ at }) => at === path || at?.startsWith(`${path}/`))} />
  );
}

function Remove({ kind, name, onTag, isUsed }: HeldProps & { isUsed: boolean }) {
  const session = useSession();
  const remove = () => {
    session.set(`Remove the tag ${name}`, [kind, name], undefined);
    onTag(undefined);
  };
  return (
    <Popover position="top-end" shadow="sm">
      <Popover.Target>
        <Button
          mt="lg"
          variant="subtle"
          color="brick"
          disabled={isUsed}
          title={isUsed ? 'A tag that has members or is needed cannot be removed.' : undefined}
        >
          Remove this tag
        </Button>
      </Popover.Target>
      <Popover.Dropdown>
        <Button color="brick" onClick={remove}>
          Remove it
        </Button>
      </Popover.Dropdown>
    </Popover>
  );
}
