-- What was called prices in fitted coefficients are unit costs.
update prices
set coefficients = (coefficients - 'prices') || jsonb_build_object('unitCosts', coefficients -> 'prices')
where coefficients ? 'prices';
alter table prices rename to unit_costs;
