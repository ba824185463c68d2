import sharp from 'sharp'
import { HttpProblem } from '../http/problem'

/** Longest edge kept, pixels; quality of the JPEG. */
const EDGE_PX = 1600
const QUALITY = 80
/** Pictures of more pixels than this are not decoded. */
const MOST_PIXELS = 60_000_000
const FORMATS: ReadonlySet<string> = new Set(['jpeg', 'png', 'webp', 'avif', 'heif'])

/**
 * A picture decoded and written anew as JPEG: upright, at most 1600 px, without any of the file's
 * own data (place, camera, names).
 *
 * @throws HttpProblem 400 when it is no picture
 */
export async function reencode(
  bytes: Buffer,
): Promise<{ jpeg: Buffer; width: number; height: number }> {
  try {
    // Only what a camera makes: drawings are programs, and may ask for other files.
    const { format } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata()
    if (!FORMATS.has(format ?? '')) throw new Error('not a photograph')
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: EDGE_PX, height: EDGE_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true })
    return { jpeg: data, width: info.width, height: info.height }
  } catch {
    throw new HttpProblem(
      400,
      'not-a-picture',
      'This is not a picture that can be read. Take a JPEG, PNG or WebP.',
    )
  }
}
