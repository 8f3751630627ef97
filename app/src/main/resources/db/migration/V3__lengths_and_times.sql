alter table shoot_asset add column added timestamp with time zone default current_timestamp not null;

alter table edit add column characters bigint default 0 not null;
update edit set characters = char_length(forward) + char_length(backward);
