export * from './bundle';
export * from './importPreview';
export * from './planCalendar';
export * from './readBundle';
export * from './routineBundle';
export * from './bundleJsonSchema';
export * from './csvLogs';
export * from './cueTrack';
