-- The sorter reads ø, æ, œ, ł, đ and ı as they are written without; what was learned of such names is read so, too.
with every as (
  select
    id,
    client,
    at,
    (
      select string_agg(word, ' ' order by word collate "C")
      from (
        select distinct unnest(string_to_array(
          translate(replace(replace(words, 'æ', 'ae'), 'œ', 'oe'), 'øłđı', 'oldi'), ' ')) as word
      ) as each
    ) as words
  from sorting_rule
  where words ~ '[øæœłđı]'
),
newest as (
  select distinct on (client, words) id, client, words from every order by client, words, at desc
)
update sorting_rule as rule
set words = newest.words
from newest
where rule.id = newest.id
  and not exists (
    select 1 from sorting_rule as other
    where other.client = newest.client and other.words = newest.words
  );
