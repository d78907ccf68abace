"""The rules and computations of the job: pure, without web, clock or network."""
