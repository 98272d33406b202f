/** Pictures that come with the demo jobs; paths from the project's root. */
export const DEMO_PICTURE = {
  id: '5d0b6f0e-52a4-4c1e-9f52-1d6c5d1f7a10',
  job: 'Fire-watch wagon',
  mediaType: 'image/jpeg',
  file: 'demo/pictures/fire-watch-wagon.jpg',
} as const;
