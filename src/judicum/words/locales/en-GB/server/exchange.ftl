done-account = { $name }, a new account
done-assigned = { $title }, due { $date }
done-attempt = { $student }: { $title }, attempt { $number }
done-coupon = { $title }, version { $version } ({ $code })
done-joins = { $name } joins
done-role = { $name }: { $role }
done-run = { $attempt }, { -run } { $number }
guide-sample-student = Sample student
