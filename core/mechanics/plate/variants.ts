import { LAYERS } from '../../kinds/layers/all'
import type { Device } from '../../record/schema'

/** A device with one thing of its shell changed, to see what that does to the arch. */
export interface ShellVariant {
  name: string
  device: Device
}

const STEP_MM = 0.5
const EDGE_MM = 5
const WALL_MM = 4

/**
 * What is worth comparing of a shell: half a millimetre thinner and thicker, without each layer
 * that cuts or widens it, without its posts or with one, front edge further back, walls higher.
 */
export function shellVariants(device: Device): ShellVariant[] {
  const { shell, outline, posts, layers } = device
  const thickness = (by: number): ShellVariant => ({
    name: `${by > 0 ? 'Thicker' : 'Thinner'} by ${STEP_MM} mm`,
    device: {
      ...device,
      shell: {
        ...shell,
        thicknessMm: shell.thicknessMm + by,
        ...(shell.graded && {
          graded: Object.fromEntries(
            Object.entries(shell.graded).map(([k, v]) => [k, Math.max(STEP_MM, v + by)]),
          ),
        }),
      },
    },
  })
  const cuts = layers.flatMap((layer, k) => {
    const { keep, widen, wall, name } = LAYERS.of(layer.kind)
    return layer.on && (keep || widen || wall)
      ? [
          {
            name: `Without ${(layer.name ?? name).toLowerCase()}`,
            device: { ...device, layers: layers.filter((_, i) => i !== k) },
          },
        ]
      : []
  })
  const posted = posts.some((p) => p.angleDeg !== 0)
  return [
    ...(shell.thicknessMm - STEP_MM >= STEP_MM ? [thickness(-STEP_MM)] : []),
    thickness(STEP_MM),
    ...cuts,
    posted
      ? { name: 'Without posts', device: { ...device, posts: [] } }
      : {
          name: 'With a rearfoot post of 4°',
          device: { ...device, posts: [{ at: 'rearfoot', style: 'extrinsic', angleDeg: 4 }] },
        },
    {
      name: `Front edge ${EDGE_MM} mm further back`,
      device: {
        ...device,
        outline: { ...outline, distal: { behindHeadsMm: outline.distal.behindHeadsMm + EDGE_MM } },
      },
    },
    {
      name: `Cup ${WALL_MM} mm deeper`,
      device: { ...device, outline: { ...outline, heelCupMm: outline.heelCupMm + WALL_MM } },
    },
  ]
}
