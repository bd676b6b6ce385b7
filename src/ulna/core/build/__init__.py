"""How a page is put together: how thick it gets, in what order, with what glue, how long one waits, what to mind."""
