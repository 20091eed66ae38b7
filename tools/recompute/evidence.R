# The record: what was read, written and logged. Nothing is worked out here but which lines of a log count.

# A decimal as somebody wrote it, with a comma or a true minus, as R reads it.
plain <- function(text) {
  decimal <- "^\\s*[-+\u2212]?([0-9]+([.,][0-9]*)?|[.,][0-9]+)\\s*$"
  if (length(text) == 1 && grepl(decimal, text)) sub(",", ".", sub("\u2212", "-", trimws(text)), fixed = TRUE) else text
}

readRecord <- function(file, shipped = NULL) {
  record <- rapply(fromJSON(file, simplifyVector = FALSE), plain, classes = "character", how = "replace")
  record$folder <- dirname(file)
  record$shipped <- if (is.null(shipped)) NULL else fromJSON(shipped, simplifyVector = FALSE)
  record$cache <- new.env()
  record
}

byId <- function(items, id) Filter(function(item) identical(item$id, id), items)

instant <- function(text) as.numeric(as.POSIXct(sub("([+-][0-9]{2}):([0-9]{2})$", "\\1\\2", sub("Z$", "+0000", text)),
                                                format = "%Y-%m-%dT%H:%M:%OS%z", tz = "UTC"))

runOf <- function(record, id) byId(record$runs, id)[[1]]

# ---- logs --------------------------------------------------------------------------------------------------------------------
# all lines of a log: true seconds at which each interval begins, and the values of a column as written
logOf <- function(run, record) {
  key <- run$id
  if (!is.null(record$cache[[key]])) return(record$cache[[key]])
  format <- run$log$format
  lines <- readLines(file.path(record$folder, run$log$file), encoding = "UTF-8", warn = FALSE)
  lines <- lines[seq_along(lines) > (if (is.null(format$skip)) 0 else format$skip)]
  lines <- lines[nzchar(lines)]
  cells <- strsplit(lines, if (is.null(format$delimiter)) "," else format$delimiter, fixed = TRUE)
  if (length(format$time) == 0) {
    at <- instant(run$log$start) + (seq_along(cells) - 1) * as.numeric(format$stepSeconds)
  } else {
    stamp <- do.call(paste, lapply(unlist(format$time), function(place) vapply(cells, `[`, "", place + 1)))
    zone <- if (is.null(run$timeZone)) record$site$timeZone else run$timeZone
    form <- switch(if (is.null(format$dateOrder)) "ymd" else format$dateOrder,
                   ymd = "%Y-%m-%d %H:%M:%OS", dmy = "%d-%m-%Y %H:%M:%OS", mdy = "%m-%d-%Y %H:%M:%OS")
    stamp <- gsub("[./]", "-", sub("T", " ", stamp))
    # The clock of a unit runs on through a change of the civil clock, unless its own stamps jump by an hour.
    civil <- as.numeric(as.POSIXct(stamp, format = form, tz = "UTC"))
    jumps <- diff(civil)
    usual <- median(jumps)
    jumps[abs(jumps + 3600 - usual) < 1] <- usual
    at <- as.numeric(as.POSIXct(stamp[1], format = form, tz = zone)) + c(0, cumsum(jumps))
  }
  steps <- sort(table(round(diff(at), 3)), decreasing = TRUE)
  record$cache[[key]] <- list(at = at, cells = cells, step = as.numeric(names(steps)[1]))
  record$cache[[key]]
}

# A column as an input: values, the moments at which their intervals begin (minutes from the start of the run), the interval in
# seconds, and how values lie on the grid of the log between two moments.
column <- function(figure, sheet, record) {
  slots <- unlist(figure$as)
  of <- function(name) as.numeric(vapply(figure$inputs[symbolOf(slots) == name], function(id) sheet[[id]]$value, ""))
  key <- paste("column", figure$origin$id, figure$origin$note, paste(of("a_j"), of("b_j"), collapse = "/"))
  if (!is.null(record$cache[[key]])) return(record$cache[[key]])
  run <- runOf(record, figure$origin$id)
  log <- logOf(run, record)
  place <- as.integer(sub(".*, column ([0-9]+):.*", "\\1", figure$origin$note))
  at <- run$log$format$columns[[place]]$place + 1
  text <- trimws(vapply(log$cells, `[`, "", at))
  value <- suppressWarnings(as.numeric(if (identical(run$log$format$decimal, ",")) sub(",", ".", text) else text))
  h <- of("h")
  begins <- log$at - of("δ") - (if (isTRUE(run$log$format$stampAtEnd)) h else 0)
  minute <- (begins - instant(run$start)) / 60
  counts <- rep(FALSE, length(minute))
  for (j in seq_along(of("a_j"))) {
    counts <- counts | (minute >= of("a_j")[j] - h / 120 & minute + h / 60 <= of("b_j")[j] + h / 120)
  }
  counts <- counts & !is.na(value)
  made <- list(
    key = key,
    value = value[counts],
    at = minute[counts],
    h = h,
    grid = function(a, b, values) {
      places <- round((minute[counts] - a) * 60 / h)
      all <- rep(NA_real_, round((b - a) * 60 / h))
      inside <- places >= 0 & places < length(all)
      all[places[inside] + 1] <- values[inside]
      all
    }
  )
  record$cache[[key]] <- made
  made
}

# ---- what was read or written ------------------------------------------------------------------------------------------------
# every number in a part of the record
numbersIn <- function(part) {
  text <- unlist(part, use.names = FALSE)
  # a tone is written as its level and frequency: 114 @ 250
  text <- sub("^<", "", unlist(strsplit(as.character(text), " @ ", fixed = TRUE)))
  value <- suppressWarnings(as.numeric(text))
  unique(value[!is.na(value)])
}

# what the equations themselves bring
constants <- c("T_0" = 8, "T_c" = 8, "T_ref" = 298, "P_ref" = 760)
known <- list(k = c(16.61, 10, 1000, 28.316846592, 1e-3, 1), V_m = c(24.45, 24.055, 22.414), R = 8.31446261815324, s = 1,
              "u₂" = c(0.7, 1.5), "u₃" = 1, T_0 = 8, T_c = 8, T_ref = 298, P_ref = 760, M = c(56.11),
              c_zero = c(0, 20.9, 400), c_span = 20.9, z = 0, g = 1, F = 1, CF = 1, b = 0, q = 0.5, S = 0,
              T_shift = c(480, 8), Q = 1, L = 0, r_zero = c(0, 20.9, 400))

weights <- function(symbol) {
  f <- as.numeric(sub("^[AC]_", "", symbol))
  f <- 1000 * 10^(round(10 * log10(f / 1000)) / 10)
  round(20 * log10(if (startsWith(symbol, "A")) weightA(f) / weightA(1000) else weightC(f) / weightC(1000)), 1)
}

# what all adjustments of a unit but the last came to, since its last laboratory certificate: the readings after less those before
adjustedBefore <- function(figure, record) {
  last <- byId(record$checks, figure$origin$id)[[1]]
  unit <- byId(record$instruments, last$instrument)[[1]]
  issued <- vapply(unit$certificates, function(one) one$issued, "")
  since <- max(c("", issued[issued <= substr(last$at, 1, 10)]))
  checks <- Filter(function(one) identical(one$instrument, last$instrument) && instant(one$at) <= instant(last$at) &&
                     substr(one$at, 1, 10) >= since, record$checks)
  reading <- function(rows) mean(vapply(rows, function(row) as.numeric(if (is.list(row)) row$value else row), 0))
  sum(vapply(checks, function(one) {
    a <- one$acoustic
    if (length(a$asLeft) == 0) return(0)
    if (length(a$asFound) > 0) return(reading(a$asLeft) - reading(a$asFound))
    as.numeric(a$factorAfter) - as.numeric(a$factorBefore)
  }, 0))
}

# the moments that may bound a stretch: of runs and checks, and, where a log is cut, the grid of its intervals
isMoment <- function(figure, record) {
  run <- runOf(record, sub(".*, from the start of ", "", figure$meaning))
  start <- instant(run$start)
  unit <- Filter(function(other) identical(other$instrument, run$instrument), c(record$runs, record$checks))
  written <- unlist(lapply(unit, function(one) c(one$start, one$stop, one$at, lapply(one$pauses, unlist), lapply(one$exclusions, unlist))))
  written <- instant(grep("^[0-9]{4}-[0-9]{2}-[0-9]{2}T", written, value = TRUE))
  moment <- as.numeric(figure$value) * 60 + start
  if (any(abs(written - moment) < 1e-4)) return(TRUE)
  timer <- c(run$timerMinutes, run$setDelay)
  if (length(timer) > 0 && any(abs(moment - start - as.numeric(run$timerMinutes) * 60) < 1e-4)) return(TRUE)
  if (length(run$setDelay) > 0 && abs(moment - start - as.numeric(run$setDelay)) < 1e-4) return(TRUE)
  if (is.null(run$log)) return(FALSE)
  log <- logOf(run, record)
  h <- log$step
  offset <- if (is.null(run$clockOffsetSeconds)) 0 else as.numeric(run$clockOffsetSeconds)
  steps <- (moment - (log$at[1] - offset)) / h
  abs(steps - round(steps)) * h < 1e-4
}

# NULL where a figure that was read stands in the record as it is told; else why not
found <- function(figure, record) {
  value <- number(figure$value)
  kind <- figure$origin$kind
  id <- figure$origin$id
  if (grepl(", from the start of ", figure$meaning)) {
    return(if (isMoment(figure, record)) NULL else "no such moment in the record")
  }
  stands <- function(part) {
    all <- numbersIn(part)
    # times are written in minutes, and told in hours; offsets of a clock in seconds
    any(abs(c(all, all / 60) - value) <= 1e-12 * max(1, abs(value)))
  }
  symbol <- figure$symbol
  if (symbol == "S" && kind == "check" && value != 0) {
    told <- adjustedBefore(figure, record)
    return(if (abs(told - value) < 1e-8) NULL else sprintf("its checks before add up to %g", told))
  }
  if (grepl(", from the beginning of its recall$", figure$meaning)) {
    recalls <- unlist(lapply(byId(record$references, id), function(one) one$recalls), recursive = FALSE)
    written <- instant(c(vapply(record$checks, function(one) one$at, ""), unlist(lapply(recalls, function(one) one$until))))
    since <- instant(unlist(lapply(recalls, function(one) one$since)))
    whole <- abs(value * 60 - round(value * 60)) < 1e-6
    return(if (whole && any(abs(outer(written, since, "-") - value * 60) < 1)) NULL else "no such moment in the record")
  }
  isKnown <- symbol %in% names(known) && any(abs(known[[symbol]] - value) <= 1e-12 * abs(value))
  if (kind == "log") {
    step <- logOf(runOf(record, id), record)$step
    return(if (abs(step - value) < 1e-6) NULL else sprintf("the stamps of the log go on by %g s", step))
  }
  if (kind == "table") return(if (abs(weights(symbol) - value) < 1e-9) NULL else sprintf("the table has %g", weights(symbol)))
  part <- switch(kind,
    check = byId(record$checks, id),
    assumption = c(byId(record$checks, id), byId(record$runs, id)),
    run = byId(record$runs, id),
    instrument = byId(record$instruments, id),
    reference = byId(record$references, id),
    recall = byId(record$references, id),
    certificate = Filter(function(one) identical(one$number, id),
                         unlist(lapply(c(record$instruments, record$references), function(one) one$certificates), recursive = FALSE)),
    laboratory = c(Filter(function(one) identical(one$number, id), record$laboratory)),
    criterion = c(byId(record$campaign$criteria, id), byId(record$campaign$limits, id), record$library$permissible),
    library = unlist(lapply(record$library, function(shelf) Filter(function(entry) identical(entry$code, id), shelf)), recursive = FALSE),
    list())
  if (length(part) > 0 && stands(part)) return(NULL)
  if (isKnown || (symbol == "δ" && value == 0)) return(NULL)
  if (kind == "constant") return("no such constant")
  if (is.null(record$shipped)) return("not in the record")
  entries <- unlist(record$shipped$library, recursive = FALSE)
  own <- Filter(function(entry) identical(entry$code, id), entries)
  part <- switch(kind,
    library = own,
    policy = lapply(record$shipped$policies, function(policy) policy$rules[[id]]),
    # a permissible level of a room is a limit of its band
    criterion = c(byId(c(record$shipped$criteria, record$shipped$limits), id), if (grepl("^permissible|^audiometric", id)) entries),
    list())
  if (stands(part)) return(NULL)
  "not in the record"
}
