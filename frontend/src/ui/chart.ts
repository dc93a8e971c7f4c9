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

/** What is drawn of a picture. */
export interface ChartDrawing {
  places: string[]
  series: ChartSeries[]
  /** Upright lines with a word each, at a place. */
  marks?: { place: number; word: string }[]
  /** A level line, such as the seats there are. */
  limit?: { at: number; word: string } | null
  /** Whether pointing at a place does something: emits `pick`. */
  pickable?: boolean
}
