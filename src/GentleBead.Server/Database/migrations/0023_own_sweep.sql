-- A sweep that a student ran at a booth: a machine learns from it once an instructor has taken it.
alter table sweep
    add column own boolean not null default false,
    add column taken_by uuid references person,
    add column taken_at timestamptz,
    add check ((taken_by is null) = (taken_at is null));
