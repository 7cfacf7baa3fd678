/** The parts of one student's record. */
export const oneStudentTabs = (id: string) => [
  { to: `/students/${id}`, label: 'Rack', end: true },
  { to: `/students/${id}/progress`, label: 'Progress' },
  { to: `/students/${id}/record`, label: 'Record' },
];
