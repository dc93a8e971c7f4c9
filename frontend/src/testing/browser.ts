/** What the pages ask of a browser as soon as they are loaded. */
// As people here write days and numbers.
Object.defineProperty(navigator, 'languages', { value: ['en-GB'] })
// jsdom has no media queries.
window.matchMedia ??= (query: string) =>
  ({ matches: false, media: query, addEventListener() {}, removeEventListener() {} }) as unknown as MediaQueryList
