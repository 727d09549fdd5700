import { useQuery } from '@tanstack/react-query';
import { createContext, useContext } from 'react';
import { api, take, type Schema } from '../api/client';

export type Session = Schema['Session'];

const ROLES = ['READER', 'WRITER', 'EDITOR', 'OWNER'];

export const SessionContext = createContext<Session | null>(null);

export function useSessionQuery() {
  return useQuery({ queryKey: ['session'], queryFn: () => take(api.GET('/api/session')) });
}

/** Whether the person signed in may do what this role may. */
export function useMay(role: 'WRITER' | 'EDITOR' | 'OWNER'): boolean {
  const session = useContext(SessionContext);
  return session !== null && ROLES.indexOf(session.role) >= ROLES.indexOf(role);
}
