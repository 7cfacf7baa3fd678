/** What is gone to by name. Plan has its place beside Today, Progress within Students. */
export const instructorNav = [
  { to: '/', label: 'Today', end: true },
  { to: '/courses', label: 'Courses' },
  { to: '/students', label: 'Students' },
  { to: '/machines', label: 'Machines' },
  { to: '/kept', label: 'Kept' },
  { to: '/practice', label: 'Practice' },
  { to: '/settings', label: 'Settings' },
] as const;

export const studentNav = [
  { to: '/', label: 'My work', end: true },
  { to: '/kept', label: 'Kept' },
  { to: '/practice', label: 'Practice' },
  { to: '/settings', label: 'Settings' },
] as const;

/** Pages without a place in the head, by the name they are looked for under. */
export const instructorPages = [
  { to: '/sessions', label: 'Sessions: every one, and another to add' },
  { to: '/courses/calendar', label: 'Calendar of sessions' },
  { to: '/courses/new', label: 'New course' },
  { to: '/courses/exercises', label: 'Exercises' },
  { to: '/courses/exercises/new', label: 'New exercise' },
  { to: '/courses/stock', label: 'Stock: bars, plates, spools and bottles' },
  { to: '/students/list', label: 'Students from a list' },
  { to: '/students/unplaced', label: 'Beads to place: noted without the network' },
  { to: '/students/agreement', label: 'How often you agree' },
  { to: '/students/add', label: 'Add a student or an instructor' },
  { to: '/machines/add', label: 'Add a machine' },
  { to: '/machines/costs', label: 'Costs: what machines, wires and gases cost and give' },
  { to: '/settings/tolerances', label: 'Settings: practice tolerances' },
  { to: '/settings/learned', label: 'Settings: what the room has taught' },
  { to: '/settings/devices', label: 'Settings: stand-in devices' },
  { to: '/settings/people', label: 'Settings: people' },
  { to: '/settings/rooms', label: 'Settings: school, rooms and booths' },
  { to: '/settings/network', label: 'Settings: shop network, where tablets go' },
  { to: '/settings/tablets', label: 'Settings: tablets of booths' },
  { to: '/settings/keeping', label: 'Settings: keeping and forgetting, how long what is kept' },
  { to: '/settings/trail', label: 'Settings: who did what' },
  { to: '/settings/running', label: 'Settings: how it runs, backups and space' },
] as const;

export const studentPages = [
  { to: '/bead', label: 'My bead: record it' },
  { to: '/course', label: 'My course' },
  { to: '/sheet', label: 'My sheet' },
  { to: '/beads', label: 'My beads' },
  { to: '/checks', label: 'Check lists' },
  { to: '/tests', label: 'My test welds' },
  { to: '/rack', label: 'My rack' },
  { to: '/progress', label: 'My progress' },
  { to: '/settings/record', label: 'Settings: what is kept of you' },
] as const;

export const commonPages = [
  { to: '/practice/arc', label: 'Practice room: arc bench' },
  { to: '/practice/scores', label: 'Practice room: scores' },
  { to: '/settings/screen', label: 'Settings: this screen, units and keys' },
  { to: '/settings/account', label: 'Settings: your account, password' },
] as const;
