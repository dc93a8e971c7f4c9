/** One row of numbers in a picture; its colour is one of look.css. */
export interface ChartSeries {
  name: string
  /** As many as there are places. */
  numbers: number[]
  /** Areas stand upon one another; bars and lines stand for themselves. */
  as: 'area' | 'bars' | 'line'
  colour: 'spruce' | 'mint' | 'brass' | 'clay' | 'soft' | 'ink'
  /** Told apart by more than its colour. */
  hatched?: boolean
  /** Left out until somebody chooses it in the legend. */
  aside?: boolean
}
