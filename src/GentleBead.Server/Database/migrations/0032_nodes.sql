-- How often somebody tried to sign in from an address within a minute, whichever server was asked. It passes: no standby has to have it.
create unlogged table address_try (
    address inet primary key,
    since timestamptz not null,
    tries int not null check (tries > 0)
);
create index address_try_since on address_try (since);
