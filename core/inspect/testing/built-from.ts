import type { Files } from '../../bytes/index.ts';
import { kitNamed } from '../../kits/index.ts';
import type { Mod } from '../../mod/index.ts';
import { encodePicture } from '../../textures/index.ts';

/**
 * The Block Pack of a mod of which only the facts about pictures and sounds are known: pictures of
 * those sizes and of that transparency, and sounds of a tenth of a second.
 */
export function builtFrom(mod: Mod): Files {
  const pictures = new Map(
    Object.values(mod.textures).map(({ picture }) => [picture.sha256, picture]),
  );
  return kitNamed('block-pack').write(mod, (sha256) => {
    const picture = pictures.get(sha256);
    if (!picture) return quietWav();
    const { width, height, alpha, grey } = picture;
    const tone = 140 - parseInt(sha256.slice(-1), 16);
    const pixel = (i: number): [number, number, number, number] => {
      const hole = alpha === 'none' || i % 3 ? 255 : alpha === 'holes' ? 0 : 128;
      return [tone, grey ? tone : tone - 20, tone, hole];
    };
    const data = Array.from({ length: width * height }, (_, i) => pixel(i)).flat();
    return encodePicture({ width, height, data: Uint8Array.from(data) });
  });
}

/** A tenth of a second of a low hum (RIFF WAVE, 16 bit, one channel, 8,000 a second). */
function quietWav(): Uint8Array {
  const samples = 800;
  const view = new DataView(new ArrayBuffer(44 + samples * 2));
  const text = (at: number, words: string) =>
    [...words].forEach((char, i) => view.setUint8(at + i, char.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, 36 + samples * 2, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, 8000, true);
  view.setUint32(28, 16_000, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, samples * 2, true);
  for (let i = 0; i < samples; i += 1)
    view.setInt16(44 + i * 2, Math.round(9000 * Math.sin(i / 8)), true);
  return new Uint8Array(view.buffer);
}
