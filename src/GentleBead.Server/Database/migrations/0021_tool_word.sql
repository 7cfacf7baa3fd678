-- When a student is shown what the tool says of a bead they recorded themselves: as the course says.
alter table course add column tool_word text not null default 'afterOwn' check (tool_word in ('atOnce', 'afterOwn', 'afterInstructor'));

-- Whether a bead was recorded by whoever laid it, and what it counts as where something is learned or earned by it: what a student says
-- of their own bead is their word until an instructor has agreed or corrected it.
alter table bead_verdict add column own boolean not null default false;
update bead_verdict set own = true from bead where bead.id = bead_verdict.bead_id and bead.recorded_by = bead_verdict.student_id;
alter table bead_verdict add column counted text not null
    generated always as (coalesce(ruled, case when own then 'open' else verdict end)) stored;

create function tool_word_on(of_sheet uuid) returns text language sql stable as $$
    select coalesce((select course.tool_word from sheet join session on session.id = sheet.session_id
        join course on course.id = session.course_id where sheet.id = of_sheet), 'afterOwn');
$$;

-- Whether the tool's word on a bead still waits for an instructor's, as far as its student is told.
create function tool_word_waits(own boolean, ruled text, of_sheet uuid) returns boolean language sql stable as $$
    select case when own and ruled is null then tool_word_on(of_sheet) = 'afterInstructor' else false end;
$$;

drop view bead_now;
create view bead_now as
select bead.id, bead.seq, bead.sheet_id, bead.number, stands.wire_mark, stands.volt_mark, stands.amp_mark, stands.wire_feed_m_per_min,
    stands.volts, stands.amps,
    coalesce(again.evidence, bead.evidence) as evidence, coalesce(again.judgement, bead.judgement) as judgement,
    coalesce(again.id, bead.id) as version,
    stands.ruled, bead.recorded_at, stands.withdrawn, stands.student_id, stands.machine_id, bead.sent,
    stands.own, tool_word_waits(stands.own, stands.ruled, bead.sheet_id) as waits
from bead join bead_verdict as stands on stands.bead_id = bead.id
left join look as again on again.id = stands.look_id;

-- An instructor agrees with or corrects what a student says of their own bead in one tap: a reason is asked for in the core where one is
-- due.
alter table ruling drop constraint ruling_check;
