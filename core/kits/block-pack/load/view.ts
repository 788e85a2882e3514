import { templateNamed } from '../../../models/index.ts';
import { decodePicture, frameSize, PictureProblem, stepsOf } from '../../../textures/index.ts';
import type {
  PackView,
  YardFluidLook,
  YardItem,
  YardModel,
  YardPicture,
} from '../../../yard/index.ts';
import type { ReadPack } from '../read/index.ts';
import { stockModel, stockPicture, stockPictures } from './stock.ts';

/** How things of a pack look and where players find them, from its files. */
export function viewOf(pack: ReadPack): PackView {
  const texels = pack.pack?.value.texels ?? 16;
  const own = (id: string): string | undefined => {
    const [namespace, name] = id.split(':');
    return namespace === pack.pack?.value.namespace ? name : undefined;
  };
  const namespace = pack.pack?.value.namespace ?? '';
  return {
    modelOf: (id) => {
      const name = own(id);
      const model = name === undefined ? undefined : pack.models.get(name)?.value;
      return model ? { ...model, texels } : (stockModel(id) ?? templateModel(id));
    },
    pictureOf: (id) => {
      const name = own(id);
      return name === undefined ? stockPicture(id) : pictureOf(pack, name);
    },
    pictures: [
      ...[...pack.textures.keys()].map((name) => `${namespace}:${name}`),
      ...stockPictures,
    ],
    fluidLooks: new Map(
      [...pack.fluidLooks.values()].map(({ value }): [string, YardFluidLook] => [
        value.fluid,
        value,
      ]),
    ),
    soundSets: new Map(Object.entries(pack.soundSets?.value ?? {})),
    soundOf: (id) => {
      const sound = pack.sounds.get(own(id) ?? '');
      return sound && pack.files.get(sound.file);
    },
    items: itemsOf(pack),
    groups: (pack.groups?.value.groups ?? []).map(({ id }) => id),
  };
}

/** Measures of templates are in sixteenths of a block. */
function templateModel(id: string): YardModel | undefined {
  const model = templateNamed(id)?.model;
  return model && { ...model, texels: 16 };
}

function pictureOf(pack: ReadPack, name: string): YardPicture | undefined {
  const read = pack.textures.get(name);
  if (!read) return undefined;
  const strip = pack.strips.get(name)?.value;
  const texture = { picture: read.value, ...(strip && { strip }) };
  const { width, height } = frameSize(texture);
  return {
    width,
    height,
    frames: Math.max(1, Math.floor(read.value.height / height)),
    steps: stepsOf(texture),
    blend: strip?.blend ?? false,
    pixels: () => {
      const bytes = pack.files.get(read.file);
      try {
        return bytes && decodePicture(bytes).data;
      } catch (error) {
        if (error instanceof PictureProblem) return undefined;
        throw error;
      }
    },
  };
}

/** By groups in their order, and within them as they are numbered. */
function itemsOf({ items, groups, registry }: ReadPack): YardItem[] {
  const order = (groups?.value.groups ?? []).map(({ id }) => id);
  const place = ({ group }: YardItem) => {
    const at = group === undefined ? -1 : order.indexOf(group);
    return at < 0 ? order.length : at;
  };
  const numbers = new Map(
    (registry?.value.entries ?? []).map(({ id, kind, number }) => [`${kind} ${id}`, number]),
  );
  const number = ({ id }: YardItem): number =>
    numbers.get(`block ${id}`) ?? numbers.get(`item ${id}`) ?? Infinity;
  return [...items.values()]
    .map(({ value }): YardItem => value)
    .sort((a, b) => place(a) - place(b) || number(a) - number(b) || (a.id < b.id ? -1 : 1));
}
