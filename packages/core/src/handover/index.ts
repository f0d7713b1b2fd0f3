export * from './sheet';
export * from './makeSheet';
export * from './nextSegment';
export * from './homePractice';
export { SHEET_MARK, sheetHtml } from './sheetHtml';
export * from './cameIn';
export * from './homeLog';
export * from './packedLog';
export * from './homePreview';
