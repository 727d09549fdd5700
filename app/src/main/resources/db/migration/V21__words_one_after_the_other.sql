-- Two people who teach words for one heading do so one after the other.
insert into turn (what) values ('WORDS');
