"""Benches that take a server, or a fresh process: 'bench cold', 'bench load', 'bench kill'. No part of the suite."""
