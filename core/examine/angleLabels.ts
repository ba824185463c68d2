import type { AngleKey } from './examination'
import { isRange } from './examineFoot'

/** Every angle of the examination: name, how it is taken, the word it is called out by, and what its directions are called. */
export const ANGLE_LABELS: Record<
  AngleKey,
  { name: string; how: string; call: string; plus: string; minus: string }
> = {
  inversionDeg: {
    name: 'Inversion, largest',
    how: 'prone, heel against the leg',
    call: 'inversion',
    plus: 'inverts',
    minus: '',
  },
  eversionDeg: {
    name: 'Eversion, largest',
    how: 'prone, heel against the leg',
    call: 'eversion',
    plus: 'everts',
    minus: '',
  },
  neutralPalpatedDeg: {
    name: 'Neutral by palpation',
    how: 'talar head equal on both sides',
    call: 'neutral',
    plus: 'varus',
    minus: 'valgus',
  },
  ncspDeg: {
    name: 'Neutral stance',
    how: 'standing in neutral, heel to the floor',
    call: 'ncsp',
    plus: 'inverted',
    minus: 'everted',
  },
  rcspDeg: {
    name: 'Relaxed stance',
    how: 'standing at ease, heel to the floor',
    call: 'stance',
    plus: 'inverted, tilts out',
    minus: 'everted, tilts in',
  },
  tibialVarumDeg: {
    name: 'Tibial varum',
    how: 'standing, shin to the vertical',
    call: 'tibia',
    plus: 'varum',
    minus: 'valgum',
  },
  forefootDeg: {
    name: 'Forefoot to rearfoot',
    how: 'rearfoot neutral, midtarsal joint locked',
    call: 'varus',
    plus: 'varus, inner up',
    minus: 'valgus, outer up',
  },
  ankleKneeStraightDeg: {
    name: 'Ankle, knee straight',
    how: 'foot neutral, knee straight',
    call: 'straight',
    plus: 'dorsiflexion',
    minus: '',
  },
  ankleKneeBentDeg: {
    name: 'Ankle, knee bent',
    how: 'foot neutral, knee bent',
    call: 'bent',
    plus: 'dorsiflexion',
    minus: '',
  },
  firstToeUnloadedDeg: {
    name: 'Big toe, unloaded',
    how: 'extension in the air',
    call: 'bigtoe',
    plus: 'extension',
    minus: '',
  },
  firstToeLoadedDeg: {
    name: 'Big toe, loaded',
    how: 'extension with the ball pressed down',
    call: 'toeload',
    plus: 'extension',
    minus: '',
  },
}

/** What an angle may be: alignment ±45°, ranges 0 to 120° (the ankle may fall short of the right angle by up to 45°). */
export function angleBounds(key: AngleKey): readonly [number, number] {
  if (key === 'ankleKneeStraightDeg' || key === 'ankleKneeBentDeg') return [-45, 45]
  return isRange(key) ? [0, 120] : [-45, 45]
}

const WORDS = Object.fromEntries(
  Object.entries(ANGLE_LABELS).map(([key, l]) => [l.call, key]),
) as Record<string, AngleKey>
/** The words angles are called out by. */
export const ANGLE_CALLS = Object.keys(WORDS)
export const angleOfCall = (word: string): AngleKey | undefined => WORDS[word]
