/** Where the browser tests ask for pictures that nobody looks at. */
const KEY = 'hausbau.draw'
const COARSE = 1 / 64

/**
 * Pixels drawn for each pixel of the page. Where nobody looks at the pixels, as in most browser tests, which draw by
 * software, a few stand for all of them: picking, counts and draw calls stay the same.
 */
export const pixelRatio = () => (localStorage.getItem(KEY) === 'coarse' ? COARSE : window.devicePixelRatio)
