"""Which mixes and recipes come near a colour: search, routes, bridges."""
