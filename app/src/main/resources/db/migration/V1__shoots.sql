create table shoot (
  id varchar(40) primary key,
  name varchar(200) not null,
  document character large object not null,
  revision bigint not null,
  changed timestamp with time zone not null
);

create table edit (
  shoot_id varchar(40) not null references shoot (id) on delete cascade,
  number bigint not null,
  label varchar(200) not null,
  forward character large object not null,
  backward character large object not null,
  undone boolean not null,
  primary key (shoot_id, number)
);

create table asset (
  hash char(64) primary key,
  bytes binary large object not null
);

create table shoot_asset (
  shoot_id varchar(40) not null references shoot (id) on delete cascade,
  name varchar(200) not null,
  hash char(64) not null references asset (hash),
  primary key (shoot_id, name)
);
