/**
 * Packs are made in threads of their own, one a mod, so that nobody waits for somebody else's
 * build.
 */
import type { Store } from '../store/store.ts';
import { Builder } from './builder.ts';

export { builderProgram, type Builder, type Watching } from './builder.ts';

/** So many mods keep a thread at once; the one that was asked longest ago gives way. */
const maxBuilders = 4;

/** The builders of all mods. */
export class Builders {
  private readonly builders = new Map<string, Builder>();

  constructor(
    private readonly store: Store,
    private readonly program: string,
  ) {}

  /** The builder of a mod. */
  of(name: string): Builder {
    const builder =
      this.builders.get(name) ??
      new Builder(this.program, (digests) => this.store.blobsOf(digests));
    this.builders.delete(name);
    this.builders.set(name, builder);
    for (const [other, old] of this.builders) {
      if (this.builders.size <= maxBuilders) break;
      if (old.isIdle) {
        old.end();
        this.builders.delete(other);
      }
    }
    return builder;
  }

  /** Ends all threads. */
  end(): void {
    for (const builder of this.builders.values()) builder.end();
    this.builders.clear();
  }
}
