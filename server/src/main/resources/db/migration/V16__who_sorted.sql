-- Who said where a file belongs, as a word of its own: until now the reasons, which are sentences
-- for people, were compared with what they would be today.
alter table delivered_file add column sorted_by text;
update delivered_file set sorted_by = case
  when sorted_by_hand then 'PERSON'
  when because->>0 like 'you put “%” there before' then 'LEARNED'
  when because->>0 like 'the file calls itself “%' then 'INSIDE'
  when because->>0 like '“%” may be two things; %'
    or because->>0 like 'as regular as a click of %'
    or because->>0 like 'wide, loud and full all through%' then 'SOUND'
  when because->>-1 in (
    'it is struck, as such sounds are', 'it is held, as such sounds are',
    'but it hardly is struck', 'but it hardly is held') then 'NAME_WEIGHED'
  else 'NAME'
end;
alter table delivered_file alter column sorted_by set not null;
alter table delivered_file drop column sorted_by_hand;

-- Of what is learned the name is kept that it was learned of: its words are read anew when the
-- sorter knows other words that say nothing.
alter table sorting_rule add column taught text;
update sorting_rule set taught = words;
alter table sorting_rule alter column taught set not null;
