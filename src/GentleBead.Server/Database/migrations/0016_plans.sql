-- Plans of sessions and what there is to weld with, in editions that are only added to; the newest stands.

create table session_plan (
    id uuid primary key,
    seq bigint generated always as identity unique,
    session_id uuid not null references session,
    edition int not null check (edition > 0),
    body jsonb not null,                -- how it is planned, who stands where, and what the solver said
    made_by uuid references person,
    made_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32),
    unique (session_id, edition)
);
create trigger session_plan_kept before update or delete on session_plan for each row execute function only_added_to();

create table stock_edition (
    id uuid primary key,
    seq bigint generated always as identity unique,
    edition int not null unique check (edition > 0),
    body jsonb not null,
    made_by uuid references person,
    made_at timestamptz not null default now(),
    sent bytea check (length(sent) = 32)
);
create trigger stock_edition_kept before update or delete on stock_edition for each row execute function only_added_to();

create function tell_plan() returns trigger language plpgsql as $$
begin
    perform tell_room('plan', null, null);
    return null;
end $$;
create trigger session_plan_told after insert on session_plan for each statement execute function tell_plan();
create trigger stock_edition_told after insert on stock_edition for each statement execute function tell_plan();
