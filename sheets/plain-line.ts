/** Control characters, and what other programs take for the end of a line. */
const CONTROLS = /[\p{Cc}\u2028\u2029]+/gu;

/** Text on one line: in a file whose lines or letters mean something, what somebody typed must not become one of them. */
export const plainLine = (text: string): string => text.replace(CONTROLS, ' ').trim();

/** Text of several lines, whose only controls are the ends of its lines. */
export const plainLines = (text: string): string =>
  text
    .split(/\r\n?|\n/)
    .map(plainLine)
    .join('\n');
