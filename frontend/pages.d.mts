/** A page of the router: its file, whether it opens without signing in, and the catalogues loaded with it. */
export interface PageOf {
  page: string
  open: boolean
  /** The catalogues that its own route names. */
  own: string[]
  /** The files of the pages it stands in. */
  frames: string[]
  /** All catalogues that are there: its own, those of the frame it stands in, and what every page has. */
  rooms: string[]
}

/** Every page, as the router names them. */
export function pages(): PageOf[]
