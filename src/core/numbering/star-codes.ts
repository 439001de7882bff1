/** Star codes: what somebody dials on a phone to change a setting, or in front of a number. */
import { z } from 'zod';

/** What a code that begins with a star does on a phone of this system. */
export const StarFeature = z.enum([
  'hide caller ID',
  'show caller ID',
  'forwarding on',
  'forwarding off',
  'forwarding when busy on',
  'forwarding when busy off',
  'forwarding when not answered on',
  'forwarding when not answered off',
  'do not disturb on',
  'do not disturb off',
  'voicemail',
  'linked phones on',
  'linked phones off',
]);
export const StarCode = z.object({
  code: z.string().regex(/^\*\d{1,3}$/, 'A star code is * and 1 to 3 digits, such as *67.'),
  does: StarFeature,
});
export type StarCode = z.infer<typeof StarCode>;
