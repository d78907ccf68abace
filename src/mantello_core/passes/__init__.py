"""Work that all figures get besides their colours: varnish, dirt, bases."""
