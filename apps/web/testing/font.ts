/** Where a font file would be; nothing is printed here. */
export default 'media/font.woff';
