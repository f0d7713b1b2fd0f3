import * as z from 'zod';

// Before any schema is made: to compile the checks of what is read once takes longer than to make them, and the policy of the
// page forbids it.
z.config({ jitless: true });
