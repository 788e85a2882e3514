import { chanceAt, modulo, noise } from '../noise.ts';
import { number, share, sixteenths, type Pattern } from '../pattern.ts';

export const brick: Pattern = {
  title: 'Brick courses',
  says: 'Courses of brick, tile or cut stone, each one shifted against the one below.',
  tones: ['#5c4038', '#764f43', '#8f604f', '#a6735f', '#bc8b76', '#cdbfb0'],
  amounts: [
    number('courses', 'Courses', [1, 8, 4]),
    number('bricks', 'Bricks a course', [1, 4, 2]),
    share('shift', 'Shift', 0.5),
    sixteenths('joint', 'Joint', [0, 4, 1]),
    share('mortar', 'Mortar', 1),
    share('uneven', 'Uneven', 0.4),
    share('rough', 'Rough', 0.3),
    share('lit', 'Lit edges', 0.3),
  ],
  draw({ texels, seed, amount }) {
    const [courses, bricks] = [amount('courses'), amount('bricks')];
    const grain = noise(8, 8, seed);
    const joint = Math.min(
      Math.round((amount('joint') * texels) / 16),
      Math.floor(texels / courses) - 1,
      Math.floor(texels / bricks) - 1,
    );
    const [tall, wide] = [texels / courses, texels / bricks];
    return (x, y) => {
      const course = Math.floor(y / tall);
      const shift = course % 2 ? Math.round(wide * amount('shift')) : 0;
      const along = modulo(x + shift, texels);
      const which = Math.floor(along / wide);
      const [inX, inY] = [Math.floor(along - which * wide), Math.floor(y - course * tall)];
      const [right, low] = [Math.ceil(wide) - joint, Math.ceil(tall) - joint];
      const rough = grain((x + 0.5) / texels, (y + 0.5) / texels) * amount('rough') * 0.6;
      if (inX >= right || inY >= low) return { tone: amount('mortar') + rough * 0.5 };
      const isLit = inY === 0 || inX === 0;
      const isDark = !isLit && (inY === low - 1 || inX === right - 1);
      const own = chanceAt(course, which, seed + 1) - 0.5;
      const edge = (isLit ? 0.5 : isDark ? -0.5 : 0) * amount('lit');
      return { tone: 0.42 + own * amount('uneven') + rough + edge };
    };
  },
};
