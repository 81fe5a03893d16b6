-- What a proof of an import came to is its message.
update pages
set import_proof = (import_proof - 'said') || jsonb_build_object('message', import_proof -> 'said')
where import_proof ? 'said';
