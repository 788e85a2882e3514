import { pointer, pointerSteps } from '../json/index.ts';
import { isNewLook, type ResolvedBlock } from '../mod/index.ts';

/**
 * The parts of a declaration that are there and could not be read. It notes whether one of them was
 * asked for: what rests on such a part is no finding.
 */
export class Unread {
  private asked = false;
  /** The kinds of entries of which one could not be read. */
  private readonly kinds: ReadonlySet<string>;

  private readonly entries: ReadonlySet<string>;

  constructor(private readonly parts: ReadonlySet<string>) {
    const steps = [...parts].map(pointerSteps);
    this.kinds = new Set(steps.map(([kind = '']) => kind));
    this.entries = new Set(steps.map((all) => pointer(all.slice(0, 2))));
  }

  /** Notes that a part is asked for. */
  ask(...steps: string[]): void {
    if (this.parts.size && this.parts.has(pointer(steps))) this.asked = true;
  }

  /** Whether a part was asked for that could not be read, since this was asked last. */
  wasAsked(): boolean {
    const { asked } = this;
    this.asked = false;
    return asked;
  }

  /** Whether an entry of one of these kinds could not be read, whole or in part. */
  hasAny(kinds: readonly string[]): boolean {
    return kinds.some((kind) => this.kinds.has(kind));
  }

  /** Whether a place lies in a part that could not be read. */
  holds(at: string): boolean {
    if (!this.parts.size) return false;
    const steps = pointerSteps(at);
    return steps.some((_, i) => this.parts.has(pointer(steps.slice(0, i + 1))));
  }

  /** Whether something in an entry could not be read. */
  holdsPartOf(kind: string, name: string): boolean {
    return this.entries.has(pointer([kind, name]));
  }

  /** The same object, of which parts that could not be read are noted when they are looked at. */
  watch<T extends object>(object: T, ...steps: string[]): T {
    const first = steps[0];
    return first !== undefined && this.kinds.has(first)
      ? new Proxy(object, {
          get: (target, key) => {
            if (typeof key === 'string') this.ask(...steps, key);
            return Reflect.get(target, key) as unknown;
          },
        })
      : object;
  }
}

/** A block of which is noted what is looked at, where parts of it could not be read. */
export function watchBlock(block: ResolvedBlock, unread: Unread): ResolvedBlock {
  const { name } = block;
  // The file of a new look is read as a whole, or not at all.
  if (isNewLook(name) || !unread.holdsPartOf('blocks', name)) return block;
  const asked = { looks: 'looks', draws: 'loot', item: 'identity', shapes: 'shapes' } as const;
  return new Proxy(block, {
    get(target, key: keyof ResolvedBlock) {
      if (key in asked) unread.ask('blocks', name, asked[key as keyof typeof asked]);
      if (key === 'declared') return unread.watch(target.declared, 'blocks', name);
      return key === 'traits' ? unread.watch(target.traits, 'blocks', name, 'traits') : target[key];
    },
  });
}

/** Of a declaration that was read whole. */
export const nothingUnread = new Unread(new Set());
