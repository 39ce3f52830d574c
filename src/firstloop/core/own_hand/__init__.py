"""A school's own hand, understood from what its teacher writes: samples, middles, scripts."""
