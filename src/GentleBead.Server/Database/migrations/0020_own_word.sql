-- What whoever laid a bead said of it before they were shown what the tool says: kept beside it, and neither ever replaces the other.
create table own_word (
    bead_id uuid primary key references bead,
    verdict text not null check (verdict in ('right', 'cold', 'hot', 'unsteady', 'technique', 'fault', 'open')),
    change text not null check (length(change) between 1 and 40),
    said_by uuid not null references person,
    said_at timestamptz not null default now()
);
create trigger own_word_kept before update or delete on own_word for each row execute function only_added_to();
