import { readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { Programs, type OpenBody } from '../core/api/index.ts';
import { DiskProblem, openWith, placeIn, programAt } from '../disk/index.ts';

/** The programs of this machine with which people open folders and files, as they named them. */
export class NamedPrograms {
  private readonly file: string;
  /** Naming goes on one after the other, so that the last that was asked is what stands there. */
  private last: Promise<unknown> = Promise.resolve();

  /** `data` is the folder in which the server keeps what is its own. */
  constructor(data: string) {
    this.file = path.join(data, 'programs.json');
  }

  /** What was named; nothing where that cannot be read. */
  async named(): Promise<Programs> {
    try {
      return Programs.parse(JSON.parse(await readFile(this.file, 'utf8')));
    } catch {
      return {};
    }
  }

  /** Names programs. Throws a {@link DiskProblem} for a new one that there is not. */
  name(programs: Programs): Promise<Programs> {
    const named = this.last.then(() => this.write(programs));
    this.last = named.catch(() => undefined);
    return named;
  }

  /** Opens a folder, or a file in it. Throws a {@link DiskProblem} where no program is named. */
  async open({ folder, file, line }: OpenBody): Promise<void> {
    const { forFolders, forFiles } = await this.named();
    const program = file === undefined ? forFolders : forFiles;
    if (program === undefined)
      throw new DiskProblem(
        `No program is named for ${file === undefined ? 'folders' : 'files'}. Name one in the ` +
          'settings of the mod.',
      );
    await openWith(program, { place: await placeIn(folder, file), line });
  }

  private async write(programs: Programs): Promise<Programs> {
    // What was named before may be gone by now: that is told when something is opened with it.
    const before = new Set(Object.values(await this.named()));
    for (const typed of Object.values(programs)) if (!before.has(typed)) await programAt(typed);
    const made = `${this.file}.new`;
    await writeFile(made, JSON.stringify(programs), { mode: 0o600 });
    await rename(made, this.file);
    return programs;
  }
}
