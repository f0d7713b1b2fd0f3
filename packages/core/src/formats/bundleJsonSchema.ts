import * as z from 'zod';
import { BundleSchema } from './bundle';

/** The JSON Schema (2020-12) of a bundle, for those who write or check such files with other programs. */
export function bundleJsonSchema(): Record<string, unknown> {
  return { title: 'Pomek bundle', ...z.toJSONSchema(BundleSchema, { io: 'input', unrepresentable: 'any' }) };
}
