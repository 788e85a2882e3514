import { mostFrames, mostTexels, readApng } from '../../core/textures/frames/index.ts';
import { decodePicture, maxPictureSide, PictureProblem } from '../../core/textures/index.ts';
import type { Pixels } from '../../core/textures/index.ts';
import { messageOf } from '../../core/words/index.ts';
import type { ReadPicture } from './picture-protocol.ts';

/** A picture file of any kind that is read here, frame by frame. */
export async function readFile(file: File): Promise<ReadPicture> {
  try {
    const bytes = new Uint8Array(await file.arrayBuffer());
    const kind = kindOf(bytes);
    if (kind === 'other')
      throw new PictureProblem(
        'This is no PNG, GIF or WebP: its first bytes are those of another kind of file.',
      );
    if (kind !== 'image/png')
      return { moving: await readByBrowser(bytes, kind), isStillPng: false };
    const pixels = decodePicture(bytes);
    const moving = readApng(bytes);
    return moving
      ? { moving, isStillPng: false }
      : { moving: { frames: [pixels], seconds: [0] }, isStillPng: true };
  } catch (error) {
    return { problem: messageOf(error) };
  }
}

/** The kind of a picture by its first bytes. */
function kindOf(bytes: Uint8Array): 'image/png' | 'image/gif' | 'image/webp' | 'other' {
  const text = (from: number, to: number) => String.fromCharCode(...bytes.subarray(from, to));
  if (/^GIF8[79]a$/.test(text(0, 6))) return 'image/gif';
  if (text(0, 4) === 'RIFF' && text(8, 12) === 'WEBP') return 'image/webp';
  return text(1, 4) === 'PNG' ? 'image/png' : 'other';
}

/** The frames of a picture as the browser's own reader sees them. */
async function readByBrowser(data: Uint8Array<ArrayBuffer>, type: 'image/gif' | 'image/webp') {
  const name = type === 'image/gif' ? 'GIF' : 'WebP';
  if (!('ImageDecoder' in self))
    throw new PictureProblem(`This browser does not read ${name}. Save the picture as PNG.`);
  const decoder = new ImageDecoder({ data, type, colorSpaceConversion: 'none' });
  try {
    await Promise.all([decoder.completed, decoder.tracks.ready]);
    const many = decoder.tracks.selectedTrack?.frameCount ?? 0;
    if (many < 1 || many > mostFrames)
      throw new PictureProblem(`The ${name} has ${many} frames; at most ${mostFrames} are read.`);
    if (many === 1)
      return { frames: [await asStored(new Blob([data], { type }), name)], seconds: [0] };
    const frames: Pixels[] = [];
    const seconds: number[] = [];
    for (let frameIndex = 0; frameIndex < many; frameIndex += 1) {
      const { image } = await decoder.decode({ frameIndex });
      if (image.displayWidth * image.displayHeight * many > mostTexels)
        throw new PictureProblem(
          `The ${name} has ${many} frames of ${image.displayWidth} × ${image.displayHeight} ` +
            'texels: more than is read.',
        );
      frames.push(await pixelsOf(image, name));
      seconds.push((image.duration ?? 0) / 1e6);
      image.close();
    }
    return { frames, seconds };
  } catch (error) {
    if (error instanceof PictureProblem) throw error;
    throw new PictureProblem(`The ${name} is damaged: it cannot be read to its end.`);
  } finally {
    decoder.close();
  }
}

/**
 * A still picture with its colours as they are stored, also where they are half clear: a frame of
 * the reader has been multiplied by its alpha and divided again, a texture has not.
 */
async function asStored(blob: Blob, name: string): Promise<Pixels> {
  const bitmap = await createImageBitmap(blob, {
    premultiplyAlpha: 'none',
    colorSpaceConversion: 'none',
  });
  const { width, height } = bitmap;
  keepWithin(width, height, name);
  const gl = new OffscreenCanvas(1, 1).getContext('webgl2');
  if (!gl) throw new PictureProblem(`This browser does not read ${name}. Save it as PNG.`);
  try {
    gl.bindTexture(gl.TEXTURE_2D, gl.createTexture());
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.RGBA, gl.RGBA, gl.UNSIGNED_BYTE, bitmap);
    gl.bindFramebuffer(gl.FRAMEBUFFER, gl.createFramebuffer());
    gl.framebufferTexture2D(
      gl.FRAMEBUFFER,
      gl.COLOR_ATTACHMENT0,
      gl.TEXTURE_2D,
      gl.getParameter(gl.TEXTURE_BINDING_2D) as WebGLTexture,
      0,
    );
    const data = new Uint8Array(width * height * 4);
    gl.readPixels(0, 0, width, height, gl.RGBA, gl.UNSIGNED_BYTE, data);
    return { width, height, data };
  } finally {
    bitmap.close();
    gl.getExtension('WEBGL_lose_context')?.loseContext();
  }
}

function keepWithin(width: number, height: number, name: string): void {
  if (Math.max(width, height) > maxPictureSide)
    throw new PictureProblem(
      `The ${name} is ${width} × ${height} texels; at most ${maxPictureSide} × ` +
        `${maxPictureSide} are read.`,
    );
}

async function pixelsOf(image: VideoFrame, name: string): Promise<Pixels> {
  const { displayWidth: width, displayHeight: height } = image;
  keepWithin(width, height, name);
  const data = new Uint8Array(width * height * 4);
  await image.copyTo(data, { format: 'RGBA', colorSpace: 'srgb' });
  return { width, height, data };
}
