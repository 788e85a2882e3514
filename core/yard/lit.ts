import { darkness, fullLight } from './light.ts';

/** The light of lamps is warm, that of the night cold. */
export const colourOfLight = { lamp: [1, 0.9, 0.74], night: [0.72, 0.84, 1] } as const;
/** What no light falls on is so bright still, and by this power more light makes it brighter. */
export const brightens = { least: 0.07, power: 1.3 } as const;

/** How bright something looks on which a level of light falls, 0 to 1. */
const brightness = (level: number): number =>
  brightens.least + (1 - brightens.least) * (level / fullLight) ** brightens.power;

/**
 * The colour by which the picture of something is multiplied that stands in the open at midnight,
 * and is lit by blocks to a level.
 *
 * @example litByNight(15) // [1, 0.9, 0.74]
 */
export function litByNight(level: number): [red: number, green: number, blue: number] {
  const [lamp, night] = [brightness(level), brightness(fullLight - darkness(0))];
  const part = (i: 0 | 1 | 2): number =>
    Math.max(lamp * colourOfLight.lamp[i], night * colourOfLight.night[i]);
  return [part(0), part(1), part(2)];
}
