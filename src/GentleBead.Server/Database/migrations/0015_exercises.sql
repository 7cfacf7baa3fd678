-- Exercises in editions that are only added to, and the paths courses make of them.

create table exercise (
    id uuid primary key,
    seq bigint generated always as identity unique,
    key text unique,                    -- its name in the library; empty for a school's own
    retired boolean not null default false,
    made_at timestamptz not null default now()
);

create table exercise_edition (
    id uuid primary key,
    seq bigint generated always as identity unique,
    exercise_id uuid not null references exercise,
    edition int not null check (edition > 0),
    body jsonb not null,
    made_by uuid references person,     -- empty: from the library
    made_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32),
    unique (exercise_id, edition)
);
create trigger exercise_edition_kept before update or delete on exercise_edition for each row execute function only_added_to();

create table course_path (
    id uuid primary key,
    seq bigint generated always as identity unique,
    course_id uuid not null references course,
    edition int not null check (edition > 0),
    body jsonb not null,
    made_by uuid references person,
    made_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32),
    unique (course_id, edition)
);
create trigger course_path_kept before update or delete on course_path for each row execute function only_added_to();

create function tell_exercise() returns trigger language plpgsql as $$
begin
    perform tell_room('exercise', null, null);
    return null;
end $$;
create trigger exercise_edition_told after insert on exercise_edition for each statement execute function tell_exercise();
create trigger exercise_told after update on exercise for each statement execute function tell_exercise();
create trigger course_path_told after insert on course_path for each statement execute function tell_course();
