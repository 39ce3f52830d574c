"""The web layer: reads a request, calls, stores, answers. It judges nothing."""
