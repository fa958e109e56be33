-- What a kit may be made of, in a word of digits, beside its least and greatest piece; empty where everything else is usual.
alter table site add column kit_rules text not null default '';
