"""How strong the tests are: places of the source are broken one by one, in a copy."""
