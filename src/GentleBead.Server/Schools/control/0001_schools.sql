-- Which schools there are. Only added to: the newest row of a name stands.
create table served_school (
    seq bigint generated always as identity primary key,
    name text not null check (name ~ '^[a-z][a-z0-9_]{1,30}$'),
    hosts text[] not null check (cardinality(hosts) > 0),
    -- Connection strings as the server reads them, sealed with its keys: there are passwords in them.
    application text not null,
    owner text not null,
    state text not null check (state in ('open', 'moving', 'closed')),
    at timestamptz not null default now()
);
create index on served_school (name, seq desc);

-- The keys that sign the cookies and seal the connection strings, for every server alike.
create table data_protection_key (
    name text primary key,
    xml text not null
);
