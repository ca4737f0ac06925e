"""What may be practised and how it is marked: coupons and marking schemes."""
