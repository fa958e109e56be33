/** What a unit of a drawing may be, in millimetres; a pixel of the web is a 96th of an inch. */
export const DRAWING_UNITS = [
  { value: 1, label: 'millimetre' },
  { value: 10, label: 'centimetre' },
  { value: 1000, label: 'metre' },
  { value: 25.4, label: 'inch' },
  { value: 25.4 / 96, label: 'pixel' },
]
