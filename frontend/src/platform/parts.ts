/** Parts of the page of the platform, as they stand in its address. */
export const PLATFORM_PARTS = [
  'general',
  'divisions',
  'terms',
  'days-off',
  'starters',
  'labels',
  'details',
  'kinds',
  'messages',
  'register',
  'versions',
] as const
