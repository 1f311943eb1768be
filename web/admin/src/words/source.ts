/** HTML with a line for each block, for those who read its source. The words in it stay as they are. */
export function inLines(html: string): string {
  return html
    .replace(
      /(<\/(?:p|h[2-4]|ul|ol|li|blockquote|table|thead|tbody|tr|pre)>|<(?:ul|ol|table|thead|tbody|tr|blockquote|hr)(?: [^>]*)?>|<img [^>]*>)(?=<(?!\/(?:li|td|th)>))/g,
      '$1\n',
    )
    .replace(/\n+/g, '\n');
}
