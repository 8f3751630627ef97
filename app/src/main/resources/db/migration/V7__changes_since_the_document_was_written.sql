set max_length_inplace_lob 4096;

alter table shoot add column document_revision bigint;
update shoot set document_revision = revision;
alter table shoot alter column document_revision set not null;

create table shoot_patch (
  shoot_id varchar(40) not null references shoot (id) on delete cascade,
  revision bigint not null,
  operations character large object not null,
  primary key (shoot_id, revision)
);
