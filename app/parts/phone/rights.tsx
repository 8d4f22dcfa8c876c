import { mayAct, mayWrite, type Act, type Role } from '@tufa/contract/rights';
import { createContext, useContext, type ReactNode } from 'react';

/** What whoever is signed in may do; the server decides by the same table. */
export const RightsContext = createContext<Role>('owner');

/** Whether somebody may do what a control does: a kind of change (`job.change`) or an act (`documents`). */
const may = (role: Role, does: string): boolean => (does.includes('.') ? mayWrite(role, does) : mayAct(role, does as Act));

/** Whether what a control does is whoever's is signed in; what does nothing always is. */
export function useMay(does: string | undefined): boolean {
  const role = useContext(RightsContext);
  return does === undefined || may(role, does);
}

const ReadOnlyContext = createContext(false);

/** Whether what is shown here is only read by whoever is signed in. */
export const useReadOnly = (): boolean => useContext(ReadOnlyContext);

/** What stands in it is only read by those who may not do this: its fields and choices show and take nothing. */
export function ReadUnless({ may: does, children }: { may: string; children: ReactNode }) {
  const within = useReadOnly();
  const only = !useMay(does);
  return <ReadOnlyContext.Provider value={within || only}>{children}</ReadOnlyContext.Provider>;
}
