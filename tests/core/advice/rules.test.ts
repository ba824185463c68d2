import { BY_HOUSE } from '../../fixtures/houseContext'
import { describe, expect, it } from 'vitest'
import { advise, judge, ledgerOf } from '../../../core/advice/advise'
import { applyChange } from '../../../core/advice/applyChange'
import { RULES } from '../../../core/advice/rules/all'
import { applyCommand, partOf, type Command } from '../../../core/record/commands'
import { joinRecord, splitRecord, type PartName, type Parts } from '../../../core/record/parts'
import { parseRecord } from '../../../core/record/parse'
import type { FittingRecord, Reading } from '../../../core/record/schema'
import { SIGN_KINDS } from '../../../core/kinds/signs/all'
import { SCHOOLS } from '../../../core/tables/vocabulary'
import { referenceReadings, standing } from '../../fixtures/feet'

/**
 * What a case says about a sound right foot: story, findings, extra readings, device, and anything
 * else of the record.
 */
interface Case {
  story?: object
  findings?: object
  readings?: object[]
  device?: object
  capture?: object
  footprint?: object
  record?: object
}

function recordOf({
  story,
  findings,
  readings = [],
  device,
  capture,
  footprint,
  record = {},
}: Case): FittingRecord {
  return parseRecord({
    format: 'gentle-arch/fitting',
    version: 1,
    visit: { on: '2026-11-20' },
    client: { bornOn: '1985-03-02' },
    story,
    feet: {
      right: {
        readings: [...referenceReadings, ...readings],
        ...(findings && { findings }),
        ...(device && { device }),
        ...(capture && { capture }),
        ...(footprint && { footprint }),
      },
    },
    ...record,
  })
}
const scanned = (what: string, value: number) => ({
  what,
  posture: 'standing',
  trials: [value],
  instrument: 'scan',
})
const SURFACE = {
  x0: -50,
  y0: 0,
  stepMm: 1,
  columns: 100,
  rows: 265,
  heights: '',
  lengthMm: 265,
  forefootWidthMm: 100,
  heelWidthMm: 65,
  forefootDeg: 0,
  heads: [
    [28, 192],
    [7, 195],
    [-9, 190],
    [-24, 182],
    [-38, 171],
  ],
  toes: [],
}
const pain = (at: string, score = 5, more = {}) => ({
  complaints: [{ foot: 'right', at, score, ...more }],
})
const told = (...conditions: string[]) => ({ conditions })
const post = (angleDeg: number, more = {}) => ({ posts: [{ at: 'rearfoot', angleDeg, ...more }] })
const child = { client: { bornOn: '2017-05-11', guardian: 'Ife Abara' } }
const leg = (value: number, more = {}) => ({
  record: { legLengthDifferenceMm: { value, shorter: 'right', ...more } },
})
const footwear = (chosen: object) => ({
  record: { footwear: { chosen: { model: 'm', ...chosen } } },
})
const LIMIT = { firstToeUnloadedDeg: [70], firstToeLoadedDeg: [10] }
const STIFF_TOE = { firstToeUnloadedDeg: [25], firstToeStiff: true }
const CALF = { ankleKneeStraightDeg: [6], ankleKneeBentDeg: [14] }
const JOINT = { ankleKneeStraightDeg: [4], ankleKneeBentDeg: [6] }

const small = { client: { bornOn: '2022-03-01', guardian: 'Ife Abara' } }
const tender = (xMm: number, yMm: number) => ({
  kind: 'tender',
  view: 'plantar',
  xMm,
  yMm,
  tenderness: 5,
})
const callus = (xMm: number, yMm: number) => ({ kind: 'callus', view: 'plantar', xMm, yMm })
const bothSides = (inner: number, outer: number) => ({
  complaints: [
    { foot: 'right', at: 'medialAnkle', score: inner },
    { foot: 'right', at: 'lateralAnkle', score: outer },
  ],
})
const threeHeads = {
  complaints: ['secondMetHead', 'thirdMetHead', 'fourthMetHead'].map((at) => ({
    foot: 'right',
    at,
    score: 5,
  })),
}
/** A print without any arch: the whole sole stands on the plate. */
const FULL = {
  cellMm: 5,
  kPa: Array.from({ length: 48 }, () => Array.from({ length: 18 }, () => 60)),
}
const NOTHING_OF_IT = Object.fromEntries(SIGN_KINDS.map((kind) => [kind, 'no']))

/** Every rule: a case that fires it and the nearest one that does not. */
const CASES: Record<string, [fires: Case, not: Case]> = {
  'refer-first': [
    { story: { signs: { openWound: 'yes' } } },
    { story: { signs: { openWound: 'no' } } },
  ],
  cleared: [
    {
      story: {
        signs: { openWound: 'yes' },
        clearances: [{ code: 'sign-openWound', by: 'Dr Amara Quill', on: '2026-11-19' }],
      },
    },
    { story: { signs: { openWound: 'yes' } } },
  ],
  'risk-foot': [
    { findings: { sensationFelt: 8, pulses: 'both', deformity: 'none' } },
    { findings: { sensationFelt: 10, pulses: 'both', deformity: 'none' } },
  ],
  'total-contact': [
    { findings: { sensationFelt: 8, pulses: 'both', deformity: 'none' } },
    { findings: { sensationFelt: 10, pulses: 'both', deformity: 'none' } },
  ],
  'no-heat-on-foot': [
    { story: told('neuropathy'), device: { kind: 'heat-moulded' } },
    { story: told('neuropathy'), device: { kind: 'full-custom' } },
  ],
  'screen-missing': [
    { story: told('diabetes') },
    { story: told('diabetes'), findings: { sensationFelt: 10, pulses: 'both', deformity: 'none' } },
  ],
  'blood-thinners': [{ story: told('bloodThinners') }, { story: told('smoking') }],
  'inflammatory-arthritis': [
    { story: told('inflammatoryArthritis') },
    { story: told('osteoarthritis') },
  ],
  pregnancy: [{ story: told('pregnancy') }, {}],
  hypermobility: [{ story: told('hypermobility') }, {}],
  'weak-pulse': [
    { story: told('smoking'), findings: { pulses: 'weak' } },
    { story: told('smoking'), findings: { pulses: 'both' } },
  ],
  numb: [{ story: pain('lesserToes', 3, { numb: true }) }, { story: pain('lesserToes', 3) }],
  'numb-lasting': [
    { findings: { numbness: { toes: [2], returnsWithinMin: 300 } } },
    { findings: { numbness: { toes: [2], returnsWithinMin: 10 } } },
  ],
  'still-so': [
    { story: { ...told('bloodThinners'), healthOn: '2026-08-01' } },
    { story: { ...told('bloodThinners'), healthOn: '2026-11-20' } },
  ],
  'signs-not-asked': [{ device: {} }, { device: {}, story: { signs: NOTHING_OF_IT } }],
  'impossible-pair': [
    { findings: { ankleKneeStraightDeg: [12], ankleKneeBentDeg: [9] } },
    { findings: { ankleKneeStraightDeg: [9], ankleKneeBentDeg: [12] } },
  ],
  'both-sides-hurt': [
    { story: bothSides(5, 5), findings: { rcspDeg: [0] } },
    { story: bothSides(5, 6), findings: { rcspDeg: [0] } },
  ],
  'pinched-outside': [
    { story: pain('lateralAnkle'), findings: { rcspDeg: [-8] } },
    { story: pain('lateralAnkle'), findings: { rcspDeg: [-2] } },
  ],
  'arch-two-ways': [
    { readings: [standing('dorsumHeightMm', 80), standing('archLengthMm', 190)], footprint: FULL },
    { readings: [standing('dorsumHeightMm', 80), standing('archLengthMm', 190)] },
  ],
  'capture-again': [
    { capture: { way: 'scan', overruled: { why: 'stiff midfoot', codes: ['midfootLocked'] } } },
    {
      capture: { way: 'scan', overruled: { why: 'stiff midfoot', codes: ['midfootLocked'] } },
      device: {},
    },
  ],
  'flat-usual': [
    { record: small, findings: { rcspDeg: [-6], heelRaise: { inverts: true } } },
    {
      record: small,
      findings: { rcspDeg: [-6], heelRaise: { inverts: true } },
      story: pain('archPlantar'),
    },
  ],
  'child-heel': [
    { record: child, story: pain('heelBack') },
    { record: child, story: pain('knee') },
  ],
  'child-cushion': [{ record: child, story: pain('heelPlantar') }, { story: pain('heelPlantar') }],
  'child-shoe': [{ record: child, story: pain('greatToe') }, { record: child }],
  'medial-post': [
    { story: pain('medialAnkle'), findings: { rcspDeg: [-5] } },
    { story: { ...pain('medialAnkle'), intent: 'race' }, findings: { rcspDeg: [-5] } },
  ],
  'medial-flare': [
    { story: pain('medialAnkle'), findings: { axis: 'medial' } },
    { story: pain('medialAnkle'), findings: { axis: 'central' } },
  ],
  'medial-flange': [
    { story: pain('medialAnkle', 9), findings: { rcspDeg: [-9] } },
    { story: pain('medialAnkle', 9), findings: { rcspDeg: [-6] } },
  ],
  'lateral-flare': [{ story: pain('lateralAnkle', 6) }, { story: pain('lateralAnkle', 2) }],
  'lateral-soft': [
    { story: pain('lateralAnkle'), findings: { mobility: { subtalar: 'stiff' } } },
    { story: pain('lateralAnkle'), findings: { mobility: { subtalar: 'usual' } } },
  ],
  'fascia-valgus': [
    { story: pain('heelPlantar') },
    { story: pain('heelPlantar'), findings: { forefootDeg: [5, 5] } },
  ],
  'fascia-groove': [
    { story: pain('archPlantar'), findings: { marks: [tender(8, 110)] } },
    { story: pain('archPlantar'), findings: { marks: [tender(8, 190)] } },
  ],
  'heel-aperture': [
    { story: pain('heelPlantar'), findings: { fatPad: 'thin' } },
    { story: pain('heelPlantar') },
  ],
  'met-bar': [{ story: threeHeads }, { story: { complaints: threeHeads.complaints.slice(0, 2) } }],
  'nerve-room': [{ story: pain('lesserToes', 3, { numb: true }) }, { story: pain('lesserToes') }],
  'second-pad': [
    { readings: [standing('secondMetLeadMm', 4)], findings: { marks: [callus(8, 192)] } },
    { readings: [standing('secondMetLeadMm', 4)], findings: { marks: [callus(-30, 170)] } },
  ],
  'half-size': [
    { readings: [standing('secondMetLeadMm', 4)], findings: { marks: [callus(8, 192)] } },
    { findings: { marks: [callus(8, 192)] } },
  ],
  'rigid-extension': [
    { story: { activity: 'hockey', ...pain('greatToe') }, findings: { firstToeUnloadedDeg: [8] } },
    { story: { activity: 'hockey' }, findings: { firstToeUnloadedDeg: [8] } },
  ],
  'first-ray-cut-out': [
    { findings: LIMIT, device: post(3) },
    { findings: LIMIT, device: { ...post(3), layers: [{ kind: 'firstRayAccommodation' }] } },
  ],
  'calf-lift': [
    { story: { activity: 'ski-touring' }, findings: CALF },
    { story: { activity: 'walking' }, findings: CALF },
  ],
  'boot-lift': [
    {
      ...footwear({ forwardLeanDeg: 16, rampDeg: 4 }),
      findings: { ankleKneeBentDeg: [12] },
      readings: [standing('archLengthMm', 190)],
    },
    {
      ...footwear({ forwardLeanDeg: 16, rampDeg: 4 }),
      findings: { ankleKneeBentDeg: [12] },
      readings: [standing('archLengthMm', 190)],
      device: { heelLiftMm: 8 },
    },
  ],
  'soft-upper': [{ story: pain('heelBack') }, { story: pain('heelPlantar') }],
  'no-device': [
    { findings: { rcspDeg: [-5] } },
    { findings: { rcspDeg: [-5] }, story: pain('archPlantar') },
  ],
  guardian: [{ record: { client: { bornOn: '2017-05-11' } } }, { record: child }],
  growing: [{ record: child, device: {} }, { record: child }],
  'flat-child': [
    { record: child, device: post(3) },
    { record: child, device: post(3), story: pain('archPlantar') },
  ],
  'leg-length-watch': [leg(7, { method: 'tape' }), leg(7, { method: 'blocks', shownTwice: true })],
  'binding-check': [
    { ...footwear({}), story: { activity: 'ski-touring' } },
    { ...footwear({}), story: { activity: 'walking' } },
  ],
  'blade-remount': [
    { ...footwear({ soleCantDeg: { left: 0, right: 1 } }), story: { activity: 'hockey' } },
    { ...footwear({}), story: { activity: 'hockey' } },
  ],
  'heat-at-bench': [{ device: { kind: 'heat-moulded' } }, { device: { kind: 'trim-to-fit' } }],
  'forefoot-again': [{ findings: { forefootDeg: [9] } }, { findings: { forefootDeg: [9, 9] } }],
  'angle-again': [{ findings: { rcspDeg: [-1, -4] } }, { findings: { rcspDeg: [-1, -3] } }],
  'scan-apart': [
    { capture: { way: 'scan', load: 'full' }, readings: [scanned('footLengthMm', 275)] },
    { capture: { way: 'scan', load: 'full' }, readings: [scanned('footLengthMm', 265)] },
  ],
  'capture-overruled': [
    {
      capture: {
        way: 'scan',
        surface: SURFACE,
        overruled: { why: 'stiff midfoot', codes: ['midfootLocked'] },
      },
    },
    {
      capture: {
        way: 'scan',
        surface: SURFACE,
        use: 'readings',
        overruled: { why: 'stiff midfoot', codes: ['midfootLocked'] },
      },
    },
  ],
  'post-by-feel': [
    { device: post(3, { because: 'rearfoot-post' }) },
    { device: post(5, { because: 'rearfoot-post' }) },
  ],
  'medial-push': [
    { story: pain('medialAnkle'), findings: { rcspDeg: [-5, -5] } },
    { story: pain('medialAnkle'), findings: { rcspDeg: [-2, -2] } },
  ],
  'medial-shave': [
    { story: pain('navicular'), findings: { axis: 'medial' } },
    { story: pain('medialAnkle'), findings: { axis: 'medial' } },
  ],
  'medial-hold': [
    { story: pain('navicular', 8), findings: { rcspDeg: [-7] } },
    { story: pain('navicular', 5), findings: { rcspDeg: [-7] } },
  ],
  'fascia-support': [{ story: pain('heelPlantar') }, { story: pain('heelBack') }],
  'fascia-aperture': [{ story: pain('heelPlantar', 6) }, { story: pain('heelPlantar', 3) }],
  'fascia-lift': [
    { story: pain('achilles'), findings: CALF },
    { story: pain('achilles'), findings: { ankleKneeStraightDeg: [12], ankleKneeBentDeg: [18] } },
  ],
  'lateral-push': [{ story: pain('lateralAnkle') }, { story: pain('medialAnkle') }],
  'lateral-skive': [
    { story: pain('lateralAnkle'), findings: { rcspDeg: [4, 4] } },
    { story: pain('lateralAnkle'), findings: { rcspDeg: [1] } },
  ],
  cuboid: [{ story: pain('fifthMetBase') }, { story: pain('fifthMetHead') }],
  'forefoot-abducted': [
    { story: pain('archPlantar'), findings: { posture: [0, 0, 0, 0, 0, 2] } },
    { story: pain('archPlantar'), findings: { posture: [2, 0, 0, 0, 0, 0] } },
  ],
  'toe-plate': [
    { story: pain('greatToe'), findings: STIFF_TOE },
    { story: pain('greatToe'), findings: { firstToeUnloadedDeg: [70] } },
  ],
  'short-first': [
    { story: pain('secondMetHead'), readings: [standing('secondMetLeadMm', 4)] },
    { story: pain('secondMetHead'), readings: [standing('secondMetLeadMm', 1)] },
  ],
  'met-pad': [{ story: pain('thirdMetHead') }, { story: pain('firstMetHead') }],
  'nerve-spread': [
    { findings: { numbness: { toes: [3, 4] } } },
    { findings: { numbness: { toes: [2, 3, 4] } } },
  ],
  sesamoid: [{ story: pain('firstMetHead') }, { story: pain('firstMetHead'), findings: STIFF_TOE }],
  'spot-relief': [
    {
      findings: { marks: [{ kind: 'callus', view: 'plantar', xMm: 10, yMm: 190, tenderness: 5 }] },
    },
    { findings: { marks: [{ kind: 'callus', view: 'dorsal', xMm: 10, yMm: 190, tenderness: 5 }] } },
  ],
  'heel-pad': [
    { story: pain('heelPlantar'), findings: { fatPad: 'thin' } },
    { story: pain('heelPlantar'), findings: { fatPad: 'usual' } },
  ],
  'spring-shell': [
    { story: { activity: 'running', ...pain('achilles') }, device: { shell: { thicknessMm: 4 } } },
    { story: { activity: 'walking', ...pain('achilles') }, device: { shell: { thicknessMm: 4 } } },
  ],
  'rearfoot-post': [{ findings: { rcspDeg: [-6, -7] } }, { findings: { rcspDeg: [-4, -5] } }],
  'forefoot-varus': [
    { findings: { forefootDeg: [8, 8], mobility: { midtarsal: 'stiff' } } },
    { findings: { forefootDeg: [8, 8] } },
  ],
  'forefoot-valgus': [
    { findings: { forefootDeg: [-5, -5] } },
    { findings: { forefootDeg: [-1, -1] } },
  ],
  'roll-post': [
    { story: pain('shin'), findings: { ncspDeg: [2], rcspDeg: [-5] } },
    { story: pain('shin'), findings: { ncspDeg: [0], rcspDeg: [-3] } },
  ],
  uncompensated: [{ findings: { rcspDeg: [4, 4] } }, { findings: { rcspDeg: [1, 1] } }],
  'end-of-eversion': [
    { findings: { subtalar: { eversionDeg: [8] }, rcspDeg: [-4], tibialVarumDeg: [3] } },
    { findings: { subtalar: { eversionDeg: [12] }, rcspDeg: [-4], tibialVarumDeg: [3] } },
  ],
  'ncsp-again': [
    { findings: { ncspDeg: [8], tibialVarumDeg: [3], neutralPalpatedDeg: [1] } },
    { findings: { ncspDeg: [5], tibialVarumDeg: [3], neutralPalpatedDeg: [1] } },
  ],
  'neutral-gap': [
    { findings: { subtalar: { inversionDeg: [24], eversionDeg: [6] }, neutralPalpatedDeg: [-1] } },
    { findings: { subtalar: { inversionDeg: [20], eversionDeg: [10] }, neutralPalpatedDeg: [1] } },
  ],
  'first-ray-freedom': [{ findings: LIMIT }, { findings: { ...LIMIT, firstToeLoadedDeg: [25] } }],
  'windlass-first': [
    { story: pain('archPlantar'), findings: { windlass: 'late' } },
    { story: pain('archPlantar'), findings: { windlass: 'rises' } },
  ],
  'calf-stretch': [
    { story: pain('achilles'), findings: CALF },
    { story: pain('achilles'), findings: JOINT },
  ],
  'ankle-lift': [{ findings: JOINT }, { findings: CALF }],
  'boot-demand': [
    { ...footwear({ forwardLeanDeg: 16, rampDeg: 4 }), findings: { ankleKneeBentDeg: [12] } },
    { ...footwear({ forwardLeanDeg: 12, rampDeg: 4 }), findings: { ankleKneeBentDeg: [12] } },
  ],
  rocker: [
    { story: { activity: 'walking' }, findings: STIFF_TOE },
    { story: { activity: 'hockey' }, findings: STIFF_TOE },
  ],
  'leg-lift': [
    leg(8, { method: 'blocks', shownTwice: true, known: 'long-standing' }),
    leg(8, { method: 'tape', known: 'long-standing' }),
  ],
  'deep-cup': [
    { story: { activity: 'hockey' }, findings: { rcspDeg: [-5] }, device: {} },
    {
      story: { activity: 'hockey' },
      findings: { rcspDeg: [-5] },
      device: { outline: { heelCupMm: 17 } },
    },
  ],
  'some-give': [
    { story: { activity: 'ski-touring', intent: 'race' }, device: { shell: { thicknessMm: 4 } } },
    {
      story: { activity: 'ski-touring', intent: 'comfort' },
      device: { shell: { thicknessMm: 4 } },
    },
  ],
  'even-arch': [
    {
      story: { activity: 'hockey', ...pain('archPlantar') },
      findings: { mobility: { midtarsal: 'stiff' } },
    },
    { story: { activity: 'hockey', ...pain('archPlantar') } },
  ],
  'three-points': [
    { story: { activity: 'hockey' }, findings: { forefootDeg: [8, 8] } },
    { story: { activity: 'ward' }, findings: { forefootDeg: [8, 8] } },
  ],
  'knee-cuff': [
    { story: { activity: 'ski-touring' }, findings: { kneeOver: 'inside' } },
    { story: { activity: 'ski-touring' }, findings: { kneeOver: 'second' } },
  ],
  'thin-cover': [
    { story: { activity: 'hockey' }, readings: [standing('waistGirthMm', 270)], device: {} },
    { story: { activity: 'hockey' }, device: {} },
  ],
  'lesser-first': [
    { story: pain('archPlantar', 4) },
    { story: pain('archPlantar', 4), device: {} },
  ],
  'wider-shoe': [
    { story: pain('fifthMetHead'), readings: [standing('forefootWidthMm', 112)] },
    { story: pain('fifthMetHead') },
  ],
  'instep-room': [{ story: pain('instep') }, { story: pain('shin') }],
  'toe-room': [
    { story: pain('lesserToes'), readings: [standing('secondToeLeadMm', 5)] },
    { story: pain('lesserToes'), readings: [standing('secondToeLeadMm', 1)] },
  ],
  'soft-cover': [
    { story: { hours: 11, ...pain('thirdMetHead') }, device: {} },
    { story: { hours: 3, ...pain('thirdMetHead') }, device: {} },
  ],
  'tilt-without-pain': [{ device: post(4) }, { device: post(4), story: pain('medialAnkle') }],
  'big-step': [
    {
      story: pain('medialAnkle'),
      device: { ...post(4), layers: [{ kind: 'medialSkive' }, { kind: 'threePlaneShave' }] },
    },
    { story: pain('medialAnkle'), device: { ...post(4), layers: [{ kind: 'medialSkive' }] } },
  ],
  'ball-gap': [
    {
      record: {
        feet: {
          left: { readings: [standing('forefootWidthMm', 95)] },
          right: { readings: [standing('forefootWidthMm', 105)] },
        },
      },
    },
    {},
  ],
  'split-pair': [
    footwear({ sizeLeftMm: 265, sizeRightMm: 270 }),
    footwear({ sizeLeftMm: 265, sizeRightMm: 265 }),
  ],
  'cut-out-without-post': [
    { device: { layers: [{ kind: 'firstRayCutOut' }] } },
    { device: { layers: [{ kind: 'firstRayCutOut' }], ...post(3) } },
  ],
  'extension-over-relief': [
    { device: { layers: [{ kind: 'firstRayExtension' }, { kind: 'firstRayAccommodation' }] } },
    { device: { layers: [{ kind: 'firstRayExtension' }] } },
  ],
  'flange-in-low-volume': [
    { story: { intent: 'race' }, device: { layers: [{ kind: 'medialFlange' }] } },
    { story: { intent: 'comfort' }, device: { layers: [{ kind: 'medialFlange' }] } },
  ],
  'extrinsic-in-low-volume': [
    { story: { intent: 'race' }, device: post(3) },
    { story: { intent: 'race' }, device: post(3, { style: 'intrinsic' }) },
  ],
  'rigid-in-snug': [
    { story: { intent: 'race' }, device: { shell: { thicknessMm: 5 } } },
    { story: { intent: 'comfort' }, device: { shell: { thicknessMm: 5 } } },
  ],
  'skive-on-insensate': [
    { findings: { sensationFelt: 7 }, device: { layers: [{ kind: 'medialSkive' }] } },
    { findings: { sensationFelt: 10 }, device: { layers: [{ kind: 'medialSkive' }] } },
  ],
  'pad-under-heads': [
    { device: { layers: [{ kind: 'metPad', behindHeadsMm: -5 }] } },
    { device: { layers: [{ kind: 'metPad' }] } },
  ],
  'lift-over-counter': [{ device: { heelLiftMm: 10 } }, { device: { heelLiftMm: 5 } }],
  'one-foot-bare': [
    { record: { feet: { left: { readings: [] }, right: { readings: [], device: {} } } } },
    { device: {} },
  ],
}
const codes = (c: Case) => judge(recordOf(c)).map((e) => e.code)

describe('every rule', () => {
  it.each(Object.entries(CASES))(
    '%s fires where it should and keeps quiet where it should not',
    (code, [fires, not]) => {
      expect(codes(fires)).toContain(code)
      expect(codes(not)).not.toContain(code)
    },
  )
  it('has such a pair of cases', () =>
    expect(RULES.map((r) => r.code).filter((code) => !(code in CASES))).toEqual([]))
  it('has a name of its own', () =>
    expect(new Set(RULES.map((r) => r.code)).size).toBe(RULES.length))
  it('belongs to a school of at least five', () => {
    for (const school of SCHOOLS)
      expect(RULES.filter((r) => r.school === school).length, school).toBeGreaterThanOrEqual(5)
  })
  it('names triggers that are paths of the record, and words without gaps', () => {
    for (const [fires] of Object.values(CASES))
      for (const entry of judge(recordOf(fires))) {
        expect(entry.triggers.length, entry.code).toBeGreaterThan(0)
        for (const path of entry.triggers)
          expect(path, entry.code).toMatch(/^(story|feet|client|footwear|legLengthDifferenceMm)/)
        expect(entry.words, entry.code).not.toMatch(/undefined|null|NaN| {2}/)
      }
  })
})

/**
 * A record as screens make it: from a fitting with nothing in it, by the commands that they send,
 * reading by reading and part by part.
 */
function asScreensMakeIt(record: FittingRecord): FittingRecord {
  let parts: Parts = {}
  const send = (command: Command) => {
    const part = partOf(command)
    parts = { ...parts, [part]: applyCommand(parts[part], command, BY_HOUSE) }
  }
  for (const [part, content] of Object.entries(splitRecord(record)) as [PartName, unknown][]) {
    const side = part.split('.')[1] as 'left' | 'right'
    if (part.startsWith('readings.'))
      for (const { what, posture, trials, instrument } of content as Reading[])
        send({
          kind: 'readings.add',
          side,
          what,
          posture,
          values: trials,
          ...(instrument && { instrument }),
        })
    else send({ kind: 'part.put', part, content: JSON.parse(JSON.stringify(content)) })
  }
  return joinRecord(parts, record.client)
}

/** A mark behind which the next word begins at once: two lines that lost the space between them. */
const GLUED = /[,:;.!?)][A-Za-z]|[a-z][A-Z][a-z]/

describe('sentences', () => {
  it('have a space after every mark, and no two words in one', () => {
    for (const [fires] of Object.values(CASES))
      for (const { words } of judge(recordOf(fires))) expect(words).not.toMatch(GLUED)
  })
  it.each([
    ['skives', { layers: [{ kind: 'medialSkive' }, { kind: 'threePlaneShave' }] }, / cut the same/],
    ['a post against a skive', { ...post(3), layers: [{ kind: 'lateralSkive' }] }, /lateral skive/],
  ])('of %s', (_, device, said) => {
    const words = judge(recordOf({ device })).map((e) => e.words)
    expect(words.filter((w) => said.test(w))).toHaveLength(1)
    for (const sentence of words) expect(sentence).not.toMatch(GLUED)
  })
})

describe('a record that screens can make', () => {
  it.each(Object.entries(CASES))('fires %s', (code, [fires]) => {
    expect(judge(asScreensMakeIt(recordOf(fires))).map((e) => e.code)).toContain(code)
  })
})

describe('angles that spread', () => {
  const spread = { rcspDeg: [-1, -6], ncspDeg: [0, 5] }
  const again = (record: FittingRecord) =>
    ledgerOf(record).open.flatMap((e) => (e.code === 'angle-again' ? [e.about] : []))
  it('each ask for themselves: one that was set aside hides no other', () => {
    const open = recordOf({ findings: spread })
    expect(again(open)).toEqual(['ncspDeg', 'rcspDeg'])
    const { code, foot, about, words } = ledgerOf(open).open.find((e) => e.about === 'ncspDeg')!
    const ledger = [{ code, foot, about, words, decision: 'set-aside' }]
    expect(again(recordOf({ findings: spread, record: { ledger } }))).toEqual(['rcspDeg'])
  })
})

describe('the ledger as a whole', () => {
  const rich: Case = {
    story: { activity: 'hockey', conditions: ['bloodThinners'], ...pain('archPlantar') },
    findings: { ...LIMIT, forefootDeg: [8, 8], rcspDeg: [-6, -7], ...CALF },
  }
  it('re-sorts for another school and hides nothing', () => {
    const lists = SCHOOLS.map((school) =>
      judge(recordOf({ ...rich, story: { ...rich.story, school } })),
    )
    const sorted = lists.map((l) => l.map((e) => e.code).sort())
    for (const list of sorted) expect(list).toEqual(sorted[0])
    for (const [i, school] of SCHOOLS.entries()) {
      const own = lists[i]!.filter((e) => e.kind === 'suggest' && !e.lesser)
      const lastOwn = own.findLastIndex((e) => e.school === school || e.school === 'all')
      expect(own.findIndex((e) => e.school !== school && e.school !== 'all')).toBeGreaterThan(
        lastOwn,
      )
    }
  })
  it('puts a lesser measure before any device', () => {
    const suggestions = judge(recordOf(rich)).filter((e) => e.kind === 'suggest')
    expect(suggestions.findIndex((e) => !e.lesser)).toBe(suggestions.filter((e) => e.lesser).length)
  })
  it('makes the change, keeps the link, and is content afterwards', () => {
    for (const entry of advise(recordOf(rich)).filter(
      (e) =>
        e.change &&
        ('layer' in e.change ||
          'post' in e.change ||
          'shell' in e.change ||
          'heelLiftMm' in e.change ||
          'footwear' in e.change ||
          'exercise' in e.change),
    )) {
      let parts: Parts = splitRecord(recordOf(rich))
      for (const command of applyChange(joinRecord(parts, undefined), entry))
        if (command.kind === 'part.put')
          parts = { ...parts, [command.part]: applyCommand(undefined, command, BY_HOUSE) }
      const after = parseRecord(
        JSON.parse(JSON.stringify(joinRecord(parts, recordOf(rich).client))),
      )
      expect(
        advise(after).filter((e) => e.code === entry.code && e.foot === entry.foot),
        entry.code,
      ).toEqual([])
      if ('layer' in entry.change!)
        expect(after.feet.right!.device!.layers.at(-1)).toMatchObject({
          kind: entry.change.layer,
          because: entry.code,
        })
    }
  })
  it('says of a decision when its reason no longer holds', () => {
    const ledger = [
      { code: 'medial-push', foot: 'right', decision: 'accepted', words: 'A medial heel skive.' },
    ]
    const held = { story: pain('medialAnkle'), findings: { rcspDeg: [-6, -6] }, record: { ledger } }
    const layers = [{ kind: 'medialSkive', because: 'medial-push' }]
    expect(ledgerOf(recordOf({ ...held, device: { layers } })).decided[0]!.entry).toMatchObject({
      code: 'medial-push',
      met: true,
    })
    expect(
      ledgerOf(recordOf({ ...held, findings: { rcspDeg: [-1, -1] }, device: { layers } }))
        .decided[0],
    ).toMatchObject({ entry: null, decision: { words: 'A medial heel skive.' } })
  })
  it('gives a child cautions and no corrections', () => {
    const entries = judge(recordOf({ ...rich, record: child }))
    const made = entries.filter(
      (e) =>
        e.change &&
        ('post' in e.change ||
          'device' in e.change ||
          ('layer' in e.change && e.change.layer !== 'heelCushion')),
    )
    expect(made).toEqual([])
    expect(entries.map((e) => e.code)).toContain('child-shoe')
    expect(entries.map((e) => e.code)).toContain('blood-thinners')
  })
})
