"""What lies on a figure: films over films, how they cover and dry."""
