-- What each student can weld, kind of work by kind of work: kept up from beads as they come, are looked at again, ruled on or withdrawn.

alter table bead_verdict add column position text, add column arc_seconds double precision check (arc_seconds > 0);
update bead_verdict set position = sheet.position, arc_seconds = (coalesce((select evidence from look where id = bead_verdict.look_id),
    bead.evidence) #>> '{measured,arcSeconds}')::double precision
from bead join sheet on sheet.id = bead.sheet_id where bead.id = bead_verdict.bead_id;
alter table bead_verdict alter column position set not null;
create index bead_verdict_kind on bead_verdict (process, joint, position, seq desc) where not withdrawn;
create index bead_verdict_student_kind on bead_verdict (student_id, process, joint, position, seq desc) where not withdrawn;

create table skill (
    student_id uuid not null references person,
    process text not null,
    joint text not null,
    position text not null,
    touched bigint not null default 1,  -- goes up with each bead that comes or changes
    upto bigint not null default 0,     -- what it had come to when the rest was worked out; less than touched: to be worked out anew
    beads int not null default 0,       -- the newest, at most as many as are looked at
    right_beads int not null default 0,
    body jsonb,
    proven boolean not null default false,
    best_bead uuid references bead,
    newest_bead uuid references bead,
    primary key (student_id, process, joint, position)
);

-- How much harder than usual a machine, or a kind of work, makes it for the same people; fitted anew when it is a day old.
create table machine_difficulty (
    machine_id uuid primary key references machine,
    beads int not null,
    right_beads int not null,
    expected double precision not null,
    fitted_at timestamptz not null default now()
);
create table kind_difficulty (
    process text not null,
    joint text not null,
    position text not null,
    beads int not null,
    right_beads int not null,
    expected double precision not null,
    fitted_at timestamptz not null default now(),
    primary key (process, joint, position)
);

create function touch_skill() returns trigger language plpgsql as $$
begin
    insert into skill (student_id, process, joint, position) values (new.student_id, new.process, new.joint, new.position)
    on conflict (student_id, process, joint, position) do update set touched = skill.touched + 1;
    return null;
end $$;
create trigger bead_verdict_came after insert on bead_verdict for each row execute function touch_skill();
create trigger bead_verdict_changed after update on bead_verdict for each row
    when (old.counted is distinct from new.counted or old.withdrawn <> new.withdrawn) execute function touch_skill();
insert into skill (student_id, process, joint, position) select distinct student_id, process, joint, position from bead_verdict;

-- What a student and their instructors set out to do, and what came of it.
create table goal (
    id uuid primary key,
    seq bigint generated always as identity unique,
    student_id uuid not null references person,
    text text not null check (length(text) between 1 and 200),
    until date,
    set_by uuid not null references person,
    set_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create index goal_of_student on goal (student_id, seq desc);
create table goal_end (
    id uuid primary key,
    seq bigint generated always as identity unique,
    goal_id uuid not null unique references goal,
    reached boolean not null,
    ended_by uuid not null references person,
    ended_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create trigger goal_end_kept before update or delete on goal_end for each row execute function only_added_to();

-- What an instructor keeps in mind of a student: for themselves, for all instructors, or for the student to read too.
create table remark (
    id uuid primary key,
    seq bigint generated always as identity unique,
    student_id uuid not null references person,
    kind text not null check (kind in ('skill', 'safety', 'help', 'conduct', 'other')),
    readers text not null check (readers in ('me', 'instructors', 'student')),
    text text not null check (length(text) between 1 and 1000),
    made_by uuid not null references person,
    made_at timestamptz not null default now(),
    withdrawn_at timestamptz,
    sent bytea check (length(sent) = 32)
);
create index remark_of_student on remark (student_id, seq desc) where withdrawn_at is null;
create index attendance_of_student on attendance (student_id, session_id, seq desc);
create index own_word_by on own_word (said_by, said_at desc);

create function tell_progress() returns trigger language plpgsql as $$
begin
    perform tell_room('progress', null, new.student_id);
    return null;
end $$;
create trigger goal_told after insert on goal for each row execute function tell_progress();
create trigger remark_told after insert or update on remark for each row execute function tell_progress();
create function tell_goal_end() returns trigger language plpgsql as $$
begin
    perform tell_room('progress', null, student_id) from goal where id = new.goal_id;
    return null;
end $$;
create trigger goal_end_told after insert on goal_end for each row execute function tell_goal_end();
