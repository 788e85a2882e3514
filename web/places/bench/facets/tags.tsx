import { TagsInput } from '@mantine/core';
import { idPattern } from '../../../../core/mod/names.ts';
import { idOf, toolKinds } from '../../../../core/mod/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import type { FacetProps } from './index.tsx';

/** The tags that the block is in, and who needs each. */
export function TagsFacet({ editor: { declared, block, set } }: FacetProps) {
  const mod = useMod();
  const { namespace, tools } = mod.header;
  const known = [...new Set([...Object.keys(mod.blockTags).map((name) => idOf(namespace, name)), ...Object.values(tools.kinds).map((kind) => kind.tag)])].sort();
  const withNamespace = (tag: string) => (tag.includes(':') ? tag : `${namespace}:${tag}`);
  const put = (tags: string[]) => {
    const next = [...new Set(tags.map((tag) => withNamespace(tag.trim().toLowerCase().replaceAll(' ', '_'))))].filter((tag) => idPattern.test(tag));
    set('Change the tags', ['tags'], next);
  };
  const toolOf = (tag: string) => toolKinds.find((kind) => tools.kinds[kind]?.tag === tag);
  return (
    <>
      <TagsInput aria-label="Tags" placeholder="Add a tag" data={known} value={declared.tags} onChange={put} classNames={{ pill: 'mono', input: 'mono' }} clearable={false} acceptValueOnBlur={false} />
      <p className="note" style={{ margin: '6px 0 16px' }}>Enter adds a tag. A name without a namespace is one of this mod's.</p>
      {declared.tags.map((tag) => {
        const name = tag.slice(tag.indexOf(':') + 1);
        const tool = toolOf(tag);
        const others = Object.entries(mod.blocks).filter(([other, one]) => other !== block.name && one.tags.includes(tag)).length;
        return <Field key={tag} label={<span className="mono" style={{ fontWeight: 600 }}>{tag}</span>} note={<>{mod.blockTags[name]?.note ?? (tool ? `What a ${tool} digs faster.` : '')} {tool ? `Every ${tool} looks here.` : ''} {others ? `${others} other ${others === 1 ? 'block is' : 'blocks are'} in it.` : 'No other block is in it.'}</>} />;
      })}
    </>
  );
}
