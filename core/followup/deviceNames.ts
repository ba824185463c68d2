/** What a device is called in a quote, by its kind. */
export const DEVICE_NAMES = {
  none: 'No device',
  'trim-to-fit': 'Trim-to-fit insert',
  'heat-moulded': 'Heat-moulded footbed',
  'full-custom': 'Full custom footbed',
} as const
