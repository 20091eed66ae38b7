"""What another program reads in a calendar: standard input as iCalendar, standard output as JSON."""

import json
import sys

from icalendar import Calendar

calendar = Calendar.from_ical(sys.stdin.buffer.read())
print(
    json.dumps(
        {
            "name": str(calendar["X-WR-CALNAME"]),
            "events": [
                {
                    "uid": str(event["UID"]),
                    "day": event.decoded("DTSTART").isoformat(),
                    "end": event.decoded("DTEND").isoformat() if "DTEND" in event else None,
                    "title": str(event["SUMMARY"]),
                    "text": str(event["DESCRIPTION"]),
                }
                for event in calendar.walk("VEVENT")
            ],
        }
    )
)
