"""`pk__any=[…]`: one of many keys, handed over as one array.

`pk__in` writes a placeholder for each key: a page of a hundred rows takes 8 ms to be taken apart again by the driver, and every
number of keys is a statement of its own, so that none is ever planned in advance.
"""

from typing import Any

from django.db.models import IntegerField, Lookup


@IntegerField.register_lookup
class AnyOf(Lookup):
    """`= ANY(array)` of a key, on PostgreSQL."""

    lookup_name = "any"
    prepare_rhs = False

    def get_db_prep_lookup(self, value: Any, connection: Any) -> Any:
        return "%s", [list(value)]

    def as_sql(self, compiler: Any, connection: Any) -> Any:
        left, given = self.process_lhs(compiler, connection)
        right, keys = self.process_rhs(compiler, connection)
        return f"{left} = ANY({right}::bigint[])", [*given, *keys]
