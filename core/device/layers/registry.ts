import type { LayerKind } from '../../record/layerSchema'
import { archFill } from './archFill'
import type { LayerDefinition } from './definition'
import { cuboidSupport, fifthMetSupport, metPad } from './pads'
import { heelExpansion, lateralFill } from './softTissue'
import { lateralSkive, medialSkive, threePlaneShave } from './skives'

/** Every kind of layer that can be computed, in the order in which the studio offers them. A new kind is one file and one entry here. */
const DEFINITIONS = [archFill, medialSkive, metPad, lateralSkive, threePlaneShave, fifthMetSupport, cuboidSupport, heelExpansion, lateralFill] as unknown as LayerDefinition[]

const BY_KIND = new Map(DEFINITIONS.map((d) => [d.kind, d]))

/** The definition of a kind; undefined for kinds of the record that this version stores but does not shape yet. */
export const layerDefinition = (kind: LayerKind): LayerDefinition | undefined => BY_KIND.get(kind)

/** Kinds that can be added in the studio. */
export const computableKinds = (): readonly LayerDefinition[] => DEFINITIONS
