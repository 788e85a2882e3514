import { lookUp, ownName } from '../../../mod/index.ts';
import { modRule, type ModReport } from '../../rule.ts';

export const thingUnknown = modRule({
  id: 'identity/thing-unknown',
  severity: 'error',
  title: 'Bucket or icon of something that does not exist',
  why:
    'A bucket names the fluid or block that it is filled with and the empty one; a catalogue group ' +
    'names the item that stands for it. What does not exist is drawn as a marker, and ' +
    'cannot be dipped.',
  messages: {
    thingUnknown: '{what} {id}, which does not exist.',
  },
  fails: { '/header/groups/0/icon': 'saltmarsh:lmap' },
  passes: { '/header/groups/0/icon': 'saltmarsh:lamp' },
  check(mod) {
    const unknown = (
      id: string | undefined,
      path: (string | number)[],
      what: string,
      other: 'items' | 'fluids',
    ): ModReport[] => {
      const own = id === undefined ? undefined : ownName(mod.header.namespace, id);
      return own === undefined || lookUp(mod.present, own) || lookUp<unknown>(mod[other], own)
        ? []
        : [{ at: path, says: 'thingUnknown', parts: { what, id: id! } }];
    };
    return [
      ...mod.header.groups.flatMap(({ name, icon }, i) =>
        unknown(icon, ['header', 'groups', i, 'icon'], `The icon of the group ${name} is`, 'items'),
      ),
      ...Object.entries(mod.items).flatMap(([name, { bucket }]) =>
        bucket
          ? [
              ...unknown(
                bucket.of,
                ['items', name, 'bucket', 'of'],
                `The bucket ${name} is filled with`,
                'fluids',
              ),
              ...unknown(
                bucket.empty,
                ['items', name, 'bucket', 'empty'],
                `The bucket ${name} is filled out of`,
                'items',
              ),
            ]
          : [],
      ),
    ];
  },
});
