import { writeModFolder } from '../../core/folder/index.ts';
import { kitOf } from '../../core/kits/index.ts';
import { takeOver, TakeOverProblem, type FileForm } from '../../core/take-over/index.ts';
import { count } from '../../core/words/index.ts';
import { DiskProblem, readModOrPack, shown, writeNewFolder } from '../../disk/index.ts';

export interface TakeOverOptions {
  out: string;
  namespace?: string;
  asWritten?: boolean;
}

const formWords: Record<FileForm, string> = {
  same: 'the same byte for byte',
  layout: 'laid out anew',
  words: 'said otherwise, with the same meaning',
  new: 'new',
};

/** Makes a mod folder out of a pack that was written by hand, and says what becomes of its files. */
export async function takeOverPack(
  pack: string,
  { out, namespace, asWritten = false }: TakeOverOptions,
): Promise<number> {
  const { kind, files, unread } = await readModOrPack(pack);
  if (kind === 'mod')
    throw new DiskProblem(`${shown(pack)} is the folder of a mod already. Give a pack.`);
  const [first] = unread;
  if (first) throw new DiskProblem(`${shown(first.path)}: ${first.message}`);
  const kit = kitOf(files);
  if (!kit) throw new DiskProblem(`${shown(pack)} is no pack that Obrank knows.`);
  try {
    const taken = takeOver(kit, files, { isTidy: !asWritten, namespace });
    await writeNewFolder(
      out,
      writeModFolder(taken.mod, (sha256) => taken.blobs.get(sha256) ?? new Uint8Array()),
    );
    tell(shown(out), taken);
    return taken.otherwise.length ? 1 : 0;
  } catch (error) {
    if (!(error instanceof TakeOverProblem)) throw error;
    console.error(`${error.message} See more with: npm run -s obrank -- check ${shown(pack)}`);
    return 1;
  }
}

function tell(out: string, { mod, forms, kept, natural, otherwise }: ReturnType<typeof takeOver>) {
  const many = (form: FileForm) => forms.filter((one) => one.form === form).length;
  const said = (Object.keys(formWords) as FileForm[])
    .filter((form) => many(form))
    .map((form) => `${many(form)} ${formWords[form]}`);
  console.log(`${count(Object.keys(mod.blocks).length, 'block')} in ${out}.`);
  console.log(`Files of a build of it: ${said.join(', ')}.`);
  if (kept.length) console.log(`Kept byte for byte: ${kept.map(shown).join(', ')}.`);
  const found = [...natural.blocks, ...natural.items];
  if (found.length) console.log(`Taken to be in the world by itself: ${found.join(', ')}.`);
  for (const path of otherwise) console.error(`A build of it means something else at ${path}.`);
}
