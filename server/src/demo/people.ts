import type { Role } from '../platform/identity/role.ts';

export interface DemoPerson {
  login: string;
  name: string;
  role: Role;
  skills: string[];
  /** sign-in is printed at start */
  showcase?: boolean;
}

/** Everyone at Heron Lane Works, a factory that exists only here. */
export const DEMO_PEOPLE: readonly DemoPerson[] = [
  { login: 'admin', name: 'Odile Brandt', role: 'admin', skills: [], showcase: true },
  {
    login: 'manager',
    name: 'Maren Holloway',
    role: 'manager',
    skills: ['wood grading', 'final inspection'],
    showcase: true,
  },
  {
    login: 'lead',
    name: 'Tomas Verhoeven',
    role: 'lead',
    skills: ['finish prep', 'spraying', 'level sanding'],
    showcase: true,
  },
  {
    login: 'operator',
    name: 'Ines Quarrie',
    role: 'operator',
    skills: ['fretting', 'fingerboards'],
    showcase: true,
  },
  { login: 'viewer', name: 'Pell Ashdown', role: 'viewer', skills: [], showcase: true },
  { login: 'bram', name: 'Bram Osei', role: 'lead', skills: ['milling', 'wood grading', 'gluing'] },
  { login: 'yusuf', name: 'Yusuf Tarrant', role: 'operator', skills: ['milling', 'gluing'] },
  { login: 'greta', name: 'Greta Lindqvale', role: 'operator', skills: ['gluing', 'top pressing'] },
  { login: 'anselm', name: 'Anselm Roake', role: 'lead', skills: ['body machining', 'neck machining'] },
  { login: 'pia', name: 'Pia Nakagawa-Reed', role: 'operator', skills: ['body machining'] },
  { login: 'dov', name: 'Dov Castellan', role: 'operator', skills: ['neck machining', 'fingerboards'] },
  { login: 'ruth', name: 'Ruth Imbault', role: 'operator', skills: ['fretting'] },
  { login: 'ciaran', name: 'Ciaran Wold', role: 'operator', skills: ['neck carving', 'fingerboards'] },
  { login: 'lena', name: 'Lena Fairclough-Diaz', role: 'operator', skills: ['binding', 'body sanding'] },
  { login: 'joss', name: 'Joss Abara', role: 'operator', skills: ['body sanding', 'finish prep', 'spraying'] },
  { login: 'hanne', name: 'Hanne Prewitt', role: 'operator', skills: ['neck fitting', 'neck carving'] },
  { login: 'omar', name: 'Omar Delacroix-Hunt', role: 'operator', skills: ['neck fitting'] },
  { login: 'silke', name: 'Silke Marchetti', role: 'operator', skills: ['spraying', 'finish prep'] },
  { login: 'noor', name: 'Noor Vance', role: 'operator', skills: ['level sanding', 'buffing'] },
  { login: 'eamon', name: 'Eamon Sutter', role: 'operator', skills: ['buffing'] },
  { login: 'kaya', name: 'Kaya Lindholm', role: 'operator', skills: ['electrics', 'packing'] },
  { login: 'piet', name: 'Piet Okonjo', role: 'operator', skills: ['electrics'] },
  { login: 'alma', name: 'Alma Trevanion', role: 'operator', skills: ['set-up', 'electrics'] },
  { login: 'ravi', name: 'Ravi Thornbury', role: 'lead', skills: ['set-up', 'final inspection', 'packing'] },
];
