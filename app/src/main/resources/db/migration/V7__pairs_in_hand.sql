-- Marks read in both faces for a determination of axis errors that is not stored yet.
alter table site_instrument add column pairs_in_hand text check (pairs_in_hand is null or pairs_in_hand::json is not null);
