# The same in R, with read.csv and vectors.
a <- commandArgs(TRUE)
d <- read.csv(a[1], check.names = FALSE)
L <- d[[2]]
n <- length(L)
dose <- function(L, lc, q, thr) sum(ifelse(L >= thr, 100 / 28800 * 2^((L - lc) / q), 0))
for (o in list(rep(0, n), rep(0, n), rep(0.2, n), 0.2 * (seq_len(n) - 1) / n)) {
  true <- L - o
  cat(10 * log10(mean(10^(true / 10))), dose(true, 90, 5, 90), dose(true, 90, 5, 80), dose(true, 85, 3, 80), "\n")
}
cat(max(d[[3]]), "\n")
