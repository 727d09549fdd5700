import type { Schema } from '../api/client';

/** What the house has decided about something that Rhetor knows, in words. */
export const STANDINGS: Record<Schema['ClaimView']['state'], string> = {
  AS_DELIVERED: 'as delivered',
  APPROVED: 'approved',
  CHANGED: 'changed',
  OWN: 'the house’s own',
  BANNED: 'banned',
};
