import type { FileKind } from '../format/index.ts';

/**
 * What has a file that could not be taken, or one whose path is nearly right: it is there, but
 * nothing is known of it.
 */
export class UnreadFiles {
  private readonly byKind = new Map<FileKind, Set<string>>();

  add(kind: FileKind, name: string): void {
    this.byKind.set(kind, (this.byKind.get(kind) ?? new Set()).add(name));
  }

  has(kind: FileKind, name: string): boolean {
    return this.byKind.get(kind)?.has(name) ?? false;
  }

  /** The names of a kind. */
  of(kind: FileKind): string[] {
    return [...(this.byKind.get(kind) ?? [])];
  }

  /** All of them, kind by kind. */
  all(): { kind: FileKind; name: string }[] {
    return [...this.byKind].flatMap(([kind, names]) => [...names].map((name) => ({ kind, name })));
  }
}
