create table kept_look (
  id varchar(64) primary key,
  name varchar(200) not null,
  document character large object not null,
  lut_hash char(64) references asset (hash)
);
