import type { LayerKind } from '../record/layerSchema'

/** Every layer kind as the bench says it. */
export const LAYER_NAMES: Record<LayerKind, string> = {
  heelExpansion: 'Heel expansion', lateralFill: 'Lateral fill', archFill: 'Arch fill', intrinsicForefootPost: 'Intrinsic forefoot post', medialSkive: 'Medial heel skive', lateralSkive: 'Lateral heel skive',
  threePlaneShave: 'Three-plane heel shave', fifthMetSupport: 'Fifth-met support', cuboidSupport: 'Cuboid support', sweetSpot: 'Sweet spot', heelAperture: 'Heel aperture', elongatedHeelAperture: 'Elongated heel aperture',
  firstRayCutOut: 'First-ray cut-out', firstRayAccommodation: 'First-ray accommodation', firstRayWedge: 'First-ray wedge', firstRayExtension: 'First-ray extension', metPad: 'Met pad', metBar: 'Met bar', metHeadRelief: 'Met-head relief',
  nerveSpreadPad: 'Nerve spread pad', fasciaGroove: 'Fascia groove', medialFlare: 'Medial flare', lateralFlare: 'Lateral flare', medialWrap: 'Medial wrap', medialFlange: 'Medial flange', toeCarbonPlate: 'Toe carbon plate',
}
