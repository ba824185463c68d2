// What the studio's worker runs, bundled as the worker is: measured as it is used, without a test
// runner's own way of loading modules.
export { soleFieldOf } from '../../core/device/buildDevice'
export { deviceContours } from '../../core/device/contours'
export { cutSection } from '../../core/device/section'
export { buildShell } from '../../core/device/bodySolid'
export { buildSolid } from '../../core/device/solid'
export { buildSurface } from '../../core/device/surface'
export { matchCatalogue } from '../../core/footwear/match'
export { readCatalogueCsv } from '../../core/formats/catalogueCsv'
export { buildPositive } from '../../core/device/positive'
export { standingOf } from '../../core/device/solid'
