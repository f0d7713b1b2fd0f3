declare module 'pdfjs-dist/build/pdf.worker.min.mjs';
