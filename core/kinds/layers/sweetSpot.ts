import { depthMm, stored } from './amountRule'
import { dome, ellipse } from './dome'
import { SPOT_NUMBERS, spotSchema } from './spot'
import { layer } from './definition'

const DEPTH = depthMm({ fallback: 2, presets: [2, 3, 4], usual: [1, 5] })

/** A smooth hollow at a point picked on the foot. */
export const sweetSpot = layer({
  kind: 'sweetSpot',
  name: 'Sweet spot',
  call: 'spot',
  does: 'a smooth hollow under one point',
  plain: 'a hollow under the sore spot',
  where: 'top · where it is put',
  child: 'room is welcome in a growing foot',
  insensate: 'a hollow with a soft cover; look at the skin of the spot at every visit',
  phase: 'shape',
  lies: 'hollow',
  edged: false,
  pushes: false,
  onPlain: false,
  amounts: [DEPTH, ...SPOT_NUMBERS],
  schema: { depthMm: stored(DEPTH), ...spotSchema },
  more: () => [],
  sheet: null,
  clashes: [],
  asked: (layer) => layer.depthMm,
  reach: (_, layer) => ellipse(layer.xMm, layer.yMm, layer.radiusMm, layer.radiusMm).reach,
  change: (field, layer) =>
    dome(field, ellipse(layer.xMm, layer.yMm, layer.radiusMm, layer.radiusMm), -layer.depthMm),
})
