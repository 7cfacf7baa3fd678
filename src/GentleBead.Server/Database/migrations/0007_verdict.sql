-- How an aspect stands is one thing, what a bead came to another: the narrow rows are named for what they hold.
alter table bead_standing rename to bead_verdict;
alter index bead_standing_pkey rename to bead_verdict_pkey;
alter index bead_standing_sheet rename to bead_verdict_sheet;
alter index bead_standing_student rename to bead_verdict_student;
alter index bead_standing_machine rename to bead_verdict_machine;
alter index bead_standing_heard rename to bead_verdict_heard;
