"""The design as an open JSON document, part by part."""
