0 unset
