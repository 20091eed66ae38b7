#!/usr/bin/env Rscript
# Works out every figure of an assessment again, each from its own footnote and the record alone, without the application.
#
#   Rscript tools/recompute/recompute.R ASSESSMENT.json RECORD.json [--library LIBRARY.json] [--all] [--sum] [--tamper]
#
# ASSESSMENT.json is what footnote:assess prints. Logs are read beside the record. LIBRARY.json is what footnote:library prints of
# criteria, limits and substances that come with the release; without it figures from there are "not in the record". It prints a
# table by equation and ends with 1 where a figure does not follow; --all names each of them, --sum
# prints one table for all, --tamper changes every figure by a hundred-thousandth and wants that noticed.

suppressPackageStartupMessages(library(jsonlite))
args <- commandArgs(trailingOnly = FALSE)
here <- dirname(sub("^--file=", "", grep("^--file=", args, value = TRUE)[1]))
source(file.path(here, "equations.R"), encoding = "UTF-8")
source(file.path(here, "evidence.R"), encoding = "UTF-8")

# ---- units -------------------------------------------------------------------------------------------------------------------
# what one of it is in the unit that equations are worked out in; temperatures and gas units are told apart below
minutes <- c(s = 1 / 60, min = 1, h = 60)
sizes <- c("mL/min" = 1e-3, "L/min" = 1, "m³/min" = 1000, "ft³/min" = 28.316846592,
           "mL" = 1e-3, "L" = 1, "m³" = 1000, "µg" = 1, "mg" = 1000,
           "Pa" = 1e-3, "hPa" = 0.1, "kPa" = 1, "mmHg" = 0.133322387415, "inHg" = 0.133322387415 * 25.4,
           "bar" = 100, "psi" = 6.894757293168)
gas <- c("ppm" = 1, "ppb" = 1e-3, "% vol" = 10000)

factorOf <- function(unit, equation) {
  # levels and doses go by the hour, everything else by the minute; a gauge curve has its flows in m³/min
  if (unit %in% names(minutes)) return(minutes[[unit]] / if (startsWith(equation, "N-")) 60 else 1)
  if (unit == "m³/min" && grepl("^(S-2|F-12)", equation)) return(1)
  if (unit %in% names(gas) && equation == "T-5") return(gas[[unit]])
  if (unit %in% names(sizes)) return(sizes[[unit]])
  1
}

into <- function(number, unit, equation) {
  switch(unit,
         "°C" = number + 273.15,
         "°F" = (number + 459.67) * 5 / 9,
         number * factorOf(unit, equation))
}

outOf <- function(number, unit, equation) {
  switch(unit,
         "°C" = number - 273.15,
         "°F" = number * 9 / 5 - 459.67,
         number / factorOf(unit, equation))
}

# ---- one figure --------------------------------------------------------------------------------------------------------------
number <- function(text) {
  if (is.null(text)) return(NULL)
  switch(text, "∞" = Inf, "−∞" = -Inf, as.numeric(text))
}

# both ends of an input, in the unit of the equation
ends <- function(figure, equation) {
  high <- number(figure$value)
  low <- if (is.null(figure$floor)) high else number(figure$floor)
  if (equation == "T-4" && identical(figure$bound, "at least")) high <- Inf
  if (equation == "T-3" && identical(figure$bound, "at most")) low <- -Inf
  c(into(low, figure$unit, equation), into(high, figure$unit, equation))
}

isRow <- function(slot) grepl("_[ij][₀-₉]+$", slot)
symbolOf <- function(slot) ifelse(isRow(slot), sub("[₀-₉]+$", "", slot), slot)

# What falls as such an input grows takes its other end.
turned <- list("C-1a" = "m_j", "C-1b" = "m_j", "N-10a" = "o", "N-2a" = "L_exp", "N-13b" = "L_bg", "N-13a" = "L_bg")

inputsOf <- function(figure, sheet, record, which) {
  equation <- figure$equation$id
  slots <- unlist(figure$as)
  inputs <- list()
  for (k in seq_along(figure$inputs)) {
    from <- sheet[[figure$inputs[[k]]]]
    slot <- slots[k]
    symbol <- symbolOf(slot)
    isColumn <- !is.null(from$equation) && from$equation$id == "L-1" && !isRow(slot) && grepl("_i$", slot)
    value <- if (isColumn) {
      all <- column(from, sheet, record)
      # moments stand in the unit of time of the equation
      all$at <- all$at * factorOf("min", equation)
      all
    } else {
      both <- ends(from, equation)
      if (equation %in% c("T-3", "T-4")) both else both[if (symbol %in% turned[[equation]]) 3 - which else which]
    }
    inputs[[symbol]] <- if (isRow(slot)) c(inputs[[symbol]], value) else value
  }
  # an empty row adds nothing
  for (row in c("C_i", "m_i", "m_j", "L_j", "W_j")) if (is.null(inputs[[row]])) inputs[[row]] <- numeric(0)
  if (equation == "L-1") inputs$.lines <- function() column(figure, sheet, record)
  inputs
}

# how near a figure must come: what is printed of its inputs has twelve digits behind the point; a tipping offset is told to a
# millionth, an offset to a thousand-millionth, parts of an uncertainty in all their digits
near <- function(a, b, equation) {
  if (is.infinite(a) || is.infinite(b)) return(identical(a, b))
  rounded <- if (grepl("^N-10[opqr]$", equation)) 1.1e-6 else if (grepl("^N-9", equation)) 1e-15 else
    if (grepl("^(N-10l|N-2|S-4|G-3g)", equation)) 1.1e-9 else 1e-10
  abs(a - b) <= 2e-9 * max(abs(a), abs(b)) + rounded
}

# What goes over a log is worked out once for the same inputs: other policies report other answers of the same sums.
worked <- function(equation, inputs, columns, record) {
  work <- equations[[equation]]
  if (columns == "") return(work(inputs))
  key <- paste("worked", equation, columns, paste(unlist(Filter(is.numeric, inputs)), collapse = " "))
  if (is.null(record$cache[[key]])) record$cache[[key]] <- work(inputs)
  record$cache[[key]]
}

# NULL where it follows; else why it does not
follows <- function(figure, sheet, record) {
  if (is.null(figure$equation)) return(found(figure, record))
  equation <- figure$equation$id
  if (is.null(equations[[equation]])) return("no such equation")
  inputs <- lapply(1:2, function(which) inputsOf(figure, sheet, record, which))
  columns <- paste(unlist(lapply(inputs[[1]], function(input) if (is.list(input)) input$key)), collapse = " ")
  low <- worked(equation, inputs[[1]], columns, record)
  high <- worked(equation, inputs[[2]], columns, record)
  low <- outOf(min(low[1], high[1]), figure$unit, equation)
  high <- outOf(high[length(high)], figure$unit, equation)
  told <- number(figure$value)
  floor <- number(figure$floor)
  if (!is.null(figure$bound) && is.null(floor)) low <- high
  if (!near(told, high, equation)) return(sprintf("%.12g is told, %.12g follows", told, high))
  if (is.null(floor)) {
    if (!near(low, high, equation) && !equation %in% c("N-10n")) return(sprintf("from %.12g on is not told", low))
  } else if (!near(floor, max(low, if (floor == 0) 0 else -Inf), equation)) {
    return(sprintf("from %.12g on is told, from %.12g follows", floor, low))
  }
  NULL
}

# ---- all of them -------------------------------------------------------------------------------------------------------------
recomputed <- function(assessments, record) {
  rows <- list()
  for (one in assessments$assessments) {
    sheet <- setNames(one$figures, vapply(one$figures, function(figure) figure$id, ""))
    for (figure in one$figures) {
      why <- tryCatch(follows(figure, sheet, record), error = function(problem) conditionMessage(problem))
      rows[[length(rows) + 1]] <- list(
        by = if (is.null(figure$equation)) figure$origin$kind else figure$equation$id,
        run = one$run, figure = figure$id, what = paste(figure$symbol, figure$meaning), why = why
      )
    }
  }
  rows
}

# Figures whose number may be changed by a hundred-thousandth without its being noticed: none, where the footnotes close.
unnoticed <- function(assessments, record) {
  names <- character(0)
  for (one in assessments$assessments) {
    sheet <- setNames(one$figures, vapply(one$figures, function(figure) figure$id, ""))
    for (figure in one$figures) {
      value <- number(figure$value)
      if (is.infinite(value)) next
      figure$value <- sprintf("%.15g", if (value == 0) 1e-5 else value * (1 + 1e-5))
      if (!is.null(figure$floor) && number(figure$floor) > value) next
      why <- tryCatch(follows(figure, sheet, record), error = function(problem) conditionMessage(problem))
      if (is.null(why)) names <- c(names, paste(one$run, figure$id, figure$symbol, figure$meaning))
    }
  }
  names
}

summed <- function(rows) {
  by <- vapply(rows, function(row) row$by, "")
  failed <- vapply(rows, function(row) !is.null(row$why), TRUE)
  for (id in sort(unique(by))) cat(sprintf("  %-12s %6d of %6d\n", id, sum(by == id & !failed), sum(by == id)))
}

if (sys.nframe() == 0) {
  given <- commandArgs(trailingOnly = TRUE)
  has <- function(flag) flag %in% given
  shipped <- if (has("--library")) given[which(given == "--library") + 1] else NULL
  files <- given[!given %in% c("--all", "--sum", "--tamper", "--library", shipped)]
  all <- list()
  bad <- 0
  for (k in seq(1, length(files), 2)) {
    assessments <- fromJSON(files[k], simplifyVector = FALSE)
    if (k == 1 || files[k + 1] != files[k - 1]) record <- readRecord(files[k + 1], shipped)
    rows <- recomputed(assessments, record)
    failed <- Filter(function(row) !is.null(row$why), rows)
    if (!has("--sum") || length(failed) > 0) {
      cat(files[k], ": ", length(rows) - length(failed), " of ", length(rows), " figures follow\n", sep = "")
    }
    if (!has("--sum")) summed(rows)
    for (row in if (has("--all")) failed else head(failed, 20)) {
      cat("  ", row$run, row$figure, row$by, row$what, ":", row$why, "\n")
    }
    bad <- bad + length(failed)
    all <- c(all, rows)
    if (has("--tamper")) {
      passed <- unnoticed(assessments, record)
      cat("  changed by a hundred-thousandth: ", length(rows) - length(passed), " of ", length(rows), " noticed\n", sep = "")
      for (name in passed) cat("  not noticed:", name, "\n")
      bad <- bad + length(passed)
    }
  }
  cat(length(all) - sum(vapply(all, function(row) !is.null(row$why), TRUE)), "of", length(all), "figures follow\n")
  if (has("--sum")) summed(all)
  quit(status = if (bad > 0) 1 else 0)
}
