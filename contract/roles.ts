import { z } from 'zod';
import { ROLES } from './may.ts';

export const RoleName = z.enum(ROLES);
