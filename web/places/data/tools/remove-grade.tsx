import { itemAt } from '../../../../core/lists/index.ts';
import { gradeUsers, titleOf, type Mod } from '../../../../core/mod/index.ts';
import { listed } from '../../../../core/words/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { AskFirst } from '../../../parts/ask-first.tsx';

/** So many are named. */
const mostNamed = 6;

/** Takes a grade away, after saying who asks for it and for what they will ask then. */
export function RemoveGrade({ grade, onRemove }: { grade: number; onRemove: () => void }) {
  const mod = useMod();
  const { grades } = mod.header.tools;
  const { name } = itemAt(grades, grade);
  const instead = grades[grade + 1] ?? grades[grade - 1];
  const says = () => {
    const users = usersInWords(mod, grade);
    if (!users.length) return undefined;
    return (
      `Of ${name}, or asking for it: ${listed(users)}. ` +
      (instead ? `From then on it is ${instead.name} for them.` : '')
    );
  };
  return (
    <AskFirst
      act={`Remove ${name}`}
      says={says}
      onAct={onRemove}
      whyNot={grades.length === 1 ? 'The ladder needs one grade at least' : undefined}
    />
  );
}

/** Who asks for a grade or is of it, by name. */
function usersInWords(mod: Mod, grade: number): string[] {
  const { blocks, lootTables, items } = gradeUsers(mod, grade);
  const all = [
    ...blocks.map((name) => titleOf(mod, name, mod.blocks[name]?.names)),
    ...items.map((name) => titleOf(mod, name, mod.items[name]?.names)),
    ...lootTables.map((name) => `the loot table ${name}`),
  ];
  const more = all.length - mostNamed;
  return more > 0 ? [...all.slice(0, mostNamed), `${more} more`] : all;
}
