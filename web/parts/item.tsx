import clsx from 'clsx';
import { useMemo } from 'react';
import {
  lookUp,
  idOf,
  splitId,
  stockNamed,
  stocks,
  titleOf,
  type Mod,
} from '../../core/mod/index.ts';
import { blobAddress } from '../api/address.ts';
import { useMod } from '../api/hooks.tsx';
import { defaultStateOf } from '../places/blocks/default-state.ts';
import { Rendering } from './rendering.tsx';
import { Choice, type ChoiceProps } from './choice/index.tsx';
import styles from './item.module.css';

/** The name that players read for an item, whatever brings it; of an unknown one its id. */
export function itemTitle(mod: Mod, id: string): string {
  if (id.startsWith('#')) return id;
  const { namespace, name } = splitId(id);
  if (namespace === 'obrank') return stockNamed(name)?.title ?? id;
  const own =
    namespace === mod.header.namespace
      ? (lookUp(mod.items, name) ?? lookUp(mod.blocks, name))
      : undefined;
  return own ? titleOf(mod, name, own.names) : id;
}

/**
 * An item as itself: a block as it stands, an item by its picture, stock by its colour; what is not
 * there as a hatched ring.
 */
export function ItemIcon({ id, size, title }: { id: string; size: number; title?: string }) {
  const mod = useMod();
  const { namespace, name } = splitId(id);
  const own = namespace === mod.header.namespace;
  const item = own ? lookUp(mod.items, name) : undefined;
  const block = own && !item ? lookUp(mod.blocks, name) : undefined;
  const texture =
    item?.texture && splitId(item.texture).namespace === mod.header.namespace
      ? lookUp(mod.textures, splitId(item.texture).name)
      : undefined;
  const label = {
    role: title ? 'img' : undefined,
    'aria-label': title,
    'aria-hidden': title ? undefined : true,
  } as const;
  if (block)
    return (
      <Rendering block={name} state={defaultStateOf(mod, name)} size={size} title={title} fills />
    );
  if (texture)
    return (
      <span
        {...label}
        className={clsx('crisp', styles['item-icon'])}
        style={{
          width: size,
          height: size,
          backgroundImage: `url(${blobAddress(texture.picture.sha256)})`,
        }}
      />
    );
  const stock = namespace === 'obrank' ? stockNamed(name) : undefined;
  if (stock)
    return (
      <span
        {...label}
        className={clsx(styles['item-icon'], styles['stock'])}
        style={{
          width: size * 0.62,
          height: size * 0.62,
          margin: size * 0.19,
          background: stock.traits.mapColour,
        }}
      />
    );
  return (
    <span
      {...label}
      className={
        own
          ? clsx(styles['item-icon'], styles['unknown'])
          : clsx(styles['item-icon'], styles['other'])
      }
      style={{ width: size, height: size }}
    />
  );
}

/**
 * Everything that can be held: the mod's items and blocks by what players call them, then the
 * stock.
 */
export function useItemOptions(withStock = true): { value: string; label: string }[] {
  const mod = useMod();
  const { header, items, blocks } = mod;
  return useMemo(() => {
    const named = (entries: [string, { names: Record<string, string> }][]) =>
      entries.map(([name, { names }]) => ({
        value: idOf(header.namespace, name),
        label: titleOf({ header }, name, names),
      }));
    const own = named([
      ...Object.entries(items),
      ...Object.entries(blocks).filter(([, block]) => (block.identity.item ?? 'none') !== 'none'),
    ]).sort((a, b) => a.label.localeCompare(b.label, 'en'));
    return withStock
      ? [
          ...own,
          ...stocks.map(({ name, title }) => ({ value: idOf('obrank', name), label: title })),
        ]
      : own;
  }, [header, items, blocks, withStock]);
}

/** A field in which an item is chosen by typing its name. */
export function ItemSelect({
  value,
  onItem,
  options,
  ...rest
}: {
  value: string | undefined;
  onItem: (id: string) => void;
  options: { value: string; label: string }[];
} & Omit<ChoiceProps, 'value' | 'onTake' | 'data'>) {
  const known = value === undefined || options.some((one) => one.value === value);
  return (
    <Choice
      {...rest}
      data={known ? options : [{ value, label: value }, ...options]}
      value={value ?? null}
      error={!known}
      onTake={onItem}
      maxDropdownHeight={280}
      limit={80}
      renderOption={({ option }) => (
        <span className={styles['item-option']}>
          <ItemIcon id={option.value} size={22} />
          {option.label}
          <em>{option.value}</em>
        </span>
      )}
      comboboxProps={{ width: 300, position: 'bottom-start' }}
    />
  );
}
