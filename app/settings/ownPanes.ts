import { TABLES, type TableKey } from '../../core/record/tables'

/**
 * Tables whose rows are things (a material, a machine, a price) have a pane that knows them. Every
 * other table is numbers, and `NumberTablesPane` shows it as it finds it: a new table needs nothing
 * here.
 */
export const OWN_PANES = {
  readings: ['hardBoundsMm', 'repeatLimitMm', 'ratioToLength'],
  devices: ['shellMaterials', 'coverMaterials', 'blanks', 'layerUsual'],
  footwear: [
    'matchTargets',
    'ownActivities',
    'activityShiftMm',
    'characterShiftMm',
    'flexPoints',
    'springBackShare',
  ],
  bench: ['processes', 'benchResources', 'heatWindows', 'skinMarginK'],
  prices: ['prices'],
  letters: ['reminderTexts'],
  rules: ['ruleThresholds'],
} as const satisfies Record<string, readonly TableKey[]>

const owned = new Set<TableKey>(Object.values(OWN_PANES).flat())

/** Tables of numbers alone. */
export const NUMBER_TABLES = (Object.keys(TABLES) as TableKey[]).filter((key) => !owned.has(key))
