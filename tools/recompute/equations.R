# The equations of docs/methods.md once more, each by itself. i: inputs by symbol, numbers in the units of the equation; rows are
# vectors. A result is one number, or two where it is an interval: its lower and its upper end.

hours <- function(figure) figure$number * c(s = 1 / 3600, min = 1 / 60, h = 1)[[figure$unit]]
lg <- log10

# straight lines through points, constant outside; of two points at one moment the later from then on
line <- function(at, t, y) {
  before <- findInterval(at, t)
  first <- pmax(before, 1)
  last <- pmin(before + 1, length(t))
  width <- t[last] - t[first]
  y[first] + ifelse(before == 0 | width == 0, 0, (y[last] - y[first]) * (at - t[first]) / width)
}

# stretches cut where a line bends: begin, end, and the value just after the begin and just before the end
pieces <- function(a, b, t, y) {
  all <- NULL
  for (j in seq_along(a)) {
    cuts <- sort(unique(c(a[j], t[t > a[j] & t < b[j]], b[j])))
    for (k in seq_len(length(cuts) - 1)) {
      middle <- line((cuts[k] + cuts[k + 1]) / 2, t, y)
      first <- line(cuts[k], t, y)
      all <- rbind(all, c(cuts[k], cuts[k + 1], first, 2 * middle - first))
    }
  }
  all
}

integral <- function(a, b, t, y) {
  p <- pieces(a, b, t, y)
  sum((p[, 2] - p[, 1]) * (p[, 3] + p[, 4]) / 2)
}

# mean over the stretches of base^(-line/scale)
avgPower <- function(base, scale, a, b, t, y) {
  # where nothing ran nothing accrued
  if (sum(b - a) == 0) return(1)
  p <- pieces(a, b, t, y)
  k <- log(base) / scale
  mean <- apply(p, 1, function(one) {
    x <- k * (one[4] - one[3])
    if (abs(x) < 1e-9) exp(-k * (one[3] + one[4]) / 2) else exp(-k * one[3]) * -expm1(-x) / x
  })
  sum(mean * (p[, 2] - p[, 1])) / sum(p[, 2] - p[, 1])
}

# values that a line takes in stretches: at their ends, just before an end, and at the points within
taken <- function(a, b, t, ...) {
  y <- list(...)
  moments <- c(a, b - 1e-9)
  at <- lapply(y, function(one) c(line(moments, t, one), one[sapply(t, function(x) any(a <= x & x <= b))]))
  at
}

counts <- function(x, y) x >= y - 1e-7

# whole windows of fifteen minutes over all intervals between a and b; a missing one is NA
window15 <- function(x, h) {
  n <- max(1, round(900 / h))
  if (length(x) < n) return(NA)
  has <- !is.na(x)
  sums <- cumsum(c(0, ifelse(has, x, 0)))
  held <- cumsum(c(0, has))
  end <- n:length(x)
  filled <- held[end + 1] - held[end - n + 1]
  mean <- (sums[end + 1] - sums[end - n + 1]) / filled
  max(mean[filled >= 0.75 * n])
}

# how many of those windows hold less than three quarters of their intervals
hollow15 <- function(x, h) {
  n <- max(1, round(900 / h))
  if (length(x) < n) return(0)
  held <- cumsum(c(0, !is.na(x)))
  end <- n:length(x)
  sum(held[end + 1] - held[end - n + 1] < 0.75 * n)
}

garwoodLow <- function(n) if (n == 0) 0 else qgamma(0.025, n)
garwoodHigh <- function(n) qgamma(0.975, n + 1)

# IEC 61672-1 Annex E
weightA <- function(f) 12194.217^2 * f^4 /
  ((f^2 + 20.598997^2) * sqrt(f^2 + 107.65265^2) * sqrt(f^2 + 737.86223^2) * (f^2 + 12194.217^2))
weightC <- function(f) 12194.217^2 * f^2 / ((f^2 + 20.598997^2) * (f^2 + 12194.217^2))

dose <- function(i, level, open, times = 1) {
  sum(times * (if (open) 1 else counts(level, i$L_thr)) * 2^((level - i$L_c) / i$q)) * 100 * i$h / i$T_c
}

# the offset at which a dose sits on a limit; each level is summed once, as often as it stands in the log
offsetAtLimit <- function(i, open) {
  level <- sort(unique(i$L_i$value))
  times <- tabulate(match(i$L_i$value, level))
  uniroot(function(o) dose(i, level - o, open, times) - i$D_lim, c(-30, 30), tol = 1e-12)$root
}

equations <- list(
  "D-1" = function(i) sum(i$t_i),
  "D-2" = function(i) i$t - sum(i$t_i),
  "T-1" = function(i) sum(i$b_j - i$a_j),
  "T-2" = function(i) 100 * (i$c / i$L - 1),
  "T-3" = function(i) i$X[1],
  "T-4" = function(i) i$X[length(i$X)],
  "T-5" = function(i) i$X,
  "T-6" = function(i) i$T_day - sum(i$t_i),
  "T-7" = function(i) 100 * i$x / i$X,
  "T-8" = function(i) i$b - i$a,
  "T-9" = function(i) 100 * (i$x - i$X) / i$X,
  "T-10" = function(i) sqrt(i$U_pre^2 + i$U_post^2),

  "L-1" = function(i) length(i$`.lines`()$value),
  "L-2" = function(i) i$n * i$h,
  "L-3" = function(i) max(i$r_i$value),
  "L-4" = function(i) min(i$r_i$value),
  "L-5" = function(i) mean(i$r_i$value),
  "L-6" = function(i) window15(i$r_i$grid(i$a, i$b, i$r_i$value), i$r_i$h),
  "L-7" = function(i) sum(if (is.list(i$N_i)) i$N_i$value else i$N_i),
  "L-8" = function(i) 100 * (max(i$t, i$t_log) - i$n * i$h) / i$t,
  "L-9" = function(i) hollow15(i$r_i$grid(i$a, i$b, i$r_i$value), i$r_i$h),

  "S-1a" = function(i) mean(i$x_i),
  "S-1b" = function(i) 100 * (max(i$x_i) - min(i$x_i)) / mean(i$x_i),
  "S-2a" = function(i) unname(coef(lm(i$y_i ~ i$x_i))[2]),
  "S-2b" = function(i) unname(coef(lm(i$y_i ~ i$x_i))[1]),
  "S-2c" = function(i) cor(i$x_i, i$y_i),
  "S-2d" = function(i) 100 * ((i$y - i$`b₀`) / i$`b₁` - i$x) / i$x,
  "S-4" = function(i) i$S_before + i$`Δ`,
  "S-5a" = function(i) i$Q_told * (1 + i$e / 100),
  "S-5b" = function(i) i$c_told * (1 + i$e / 100),
  "S-5c" = function(i) -i$e,
  "S-5d" = function(i) i$e_found * i$t / i$T,

  "N-1" = function(i) i$L_cert + sum(i$C_i),
  "N-2a" = function(i) mean(i$L_i) - i$L_exp,
  "N-2b" = function(i) i$`ε_post` - i$`ε_pre`,
  "N-2c" = function(i) i$`ε_left` + i$F_before - i$F_after,
  "N-2d" = function(i) i$`ε_left` - i$F_before + i$F_after,
  "N-2e" = function(i) i$`ε_left` - i$`ε_found`,
  "N-3" = function(i) 10 * lg(mean(10^((if (is.list(i$L_i)) i$L_i$value else i$L_i) / 10))),
  "N-4a" = function(i) dose(i, i$L_i$value, FALSE),
  "N-4b" = function(i) dose(i, i$L_i$value, TRUE),
  "N-4c" = function(i) sum(i$D_i),
  "N-4d" = function(i) i$T_day / sum(i$T_i) * sum(i$D_i),
  "N-5a" = function(i) if (i$D > 0) i$L_c + i$k * lg(i$D / 100) else -Inf,
  "N-5b" = function(i) i$q / lg(2),
  "N-5c" = function(i) 100 * 10^((i$L - i$L_c) / i$k),
  "N-6a" = function(i) if (i$D > 0 && i$t > 0) i$L_c + i$q / lg(2) * lg(i$D * i$T_c / (100 * i$t)) else -Inf,
  "N-6b" = function(i) 100 * i$t / i$T_c * 2^((i$L - i$L_c) / i$q),
  "N-7a" = function(i) i$D * i$T_shift / i$t,
  "N-7b" = function(i) i$D_proj * i$t / i$T_shift,
  "N-8a" = function(i) i$L_Aeq + 10 * lg(i$T_e / i$T_0),
  "N-8b" = function(i) 10 * lg(sum(i$T_i / i$T_0 * 10^(i$L_i / 10))),
  "N-8c" = function(i) i$`L_EX,8h` - 10 * lg(i$T_e / i$T_0),
  "N-8d" = function(i) i$`L_EX,8h` + 10 * lg(i$T_day / sum(i$T_i)),
  "N-8e" = function(i) 10 * lg(i$T_day / i$T_0 * sum(i$T_i * 10^(i$L_i / 10)) / sum(i$T_i)),
  "N-9a" = function(i) 1.65 * sqrt(i$`u₂`^2 + i$`u₃`^2),
  "N-9b" = function(i) 1.65 * sqrt(sum(i$p_i)),
  "N-9c" = function(i) i$`c₁ₐ`^2 * (i$`u₁ₐ`^2 + i$`u₂`^2 + i$`u₃`^2) + (i$`c₁ᵦ` * i$`u₁ᵦ`)^2,
  "N-9d" = function(i) i$`c₁ₐ`^2 * (i$`u₂`^2 + i$`u₃`^2) + (i$`c₁ᵦ` * i$`u₁ᵦ`)^2,
  "N-9e" = function(i) i$T_m / i$T_0 * 10^((i$L_m - i$`L_EX,8h`) / 10),
  "N-9f" = function(i) 10 / log(10) * i$`c₁ₐ` / i$T_m,
  "N-9g" = function(i) sd(i$L_i) / sqrt(length(i$L_i)),
  "N-9h" = function(i) sd(i$T_i) / sqrt(length(i$T_i)),
  "N-9i" = function(i) (i$T_most - i$T_least) / 2,
  "N-9j" = function(i) i$`c₁ₐ`^2 * (i$`u₁ₐ`^2 + i$`u₂`^2 + i$`u₃`^2),
  "N-9k" = function(i) i$`c₁ₐ`^2 * (i$`u₂`^2 + i$`u₃`^2),
  "N-9l" = function(i) 100 * i$`c₁ₐ`,
  "N-15" = function(i) max(i$L_i) - min(i$L_i),
  "N-10a" = function(i) i$L_ind - i$o,
  "N-10b" = function(i) i$D_ind * 2^(-i$o / i$q),
  "N-10c" = function(i) i$L_ind + 10 * lg(avgPower(10, 10, i$a_j, i$b_j, i$t_i, i$o_i)),
  "N-10d" = function(i) i$D_ind * avgPower(2, i$q, i$a_j, i$b_j, i$t_i, i$o_i),
  "N-10e" = function(i) 10 * lg(mean(10^((i$L_i$value - line(i$L_i$at, i$t_j, i$o_j)) / 10))),
  "N-10f" = function(i) dose(i, i$L_i$value - i$o, FALSE),
  "N-10g" = function(i) dose(i, i$L_i$value - i$o, TRUE),
  "N-10h" = function(i) dose(i, i$L_i$value - line(i$L_i$at, i$t_j, i$o_j), FALSE),
  "N-10i" = function(i) dose(i, i$L_i$value - line(i$L_i$at, i$t_j, i$o_j), TRUE),
  "N-10j" = function(i) max(i$L_i$value - line(i$L_i$at, i$t_j, i$o_j)),
  "N-10k" = function(i) i$L_ind - mean(i$o_i),
  "N-10l" = function(i) {
    o <- taken(i$a_j, i$b_j, i$t_i, i$o_i)[[1]]
    c(i$L_ind - max(o), i$L_ind - min(o))
  },
  "N-10m" = function(i) {
    shifted <- i$D_ind * 2^(-i$o_i / i$q)
    most <- pmax(shifted, (i$o_i < 0) * 100 * i$t / i$T_c * 2^((i$L_Aeq - i$o_i - i$L_c) / i$q))
    c(min(shifted * (i$o_i <= 0)), max(most))
  },
  "N-10n" = function(i) min(i$D_ind * 2^(-i$o_i / i$q) * (i$o_i <= 0)),
  "N-10o" = function(i) i$L - i$L_lim,
  "N-10p" = function(i) i$q * lg(i$D_ind / i$D_lim) / lg(2),
  "N-10q" = function(i) offsetAtLimit(i, FALSE),
  "N-10r" = function(i) offsetAtLimit(i, TRUE),
  "N-11a" = function(i) round(20 * lg(weightA(i$f) / weightA(1000)), 4),
  "N-11c" = function(i) round(20 * lg(weightC(i$f) / weightC(1000)), 4),
  "N-12a" = function(i) 10 * lg(sum(10^((i$L_i + i$W_i) / 10))),
  "N-12b" = function(i) i$L_W - i$W,
  "N-13a" = function(i) 10 * lg(10^(i$L_tot / 10) - 10^(i$L_bg / 10)),
  "N-13b" = function(i) i$L_tot - i$L_bg,
  "N-13c" = function(i) i$L_tot,
  "N-13d" = function(i) {
    told <- sum(10^((i$L_i + i$W_i) / 10))
    c(10 * lg(told), 10 * lg(told + sum(10^((i$L_j + i$W_j) / 10))))
  },
  "N-14a" = function(i) i$L_b - i$L_perm,
  "N-14b" = function(i) max(i$L_i - i$P_i),

  "F-1a" = function(i) i$V / i$t,
  "F-1b" = function(i) i$V / i$t * (i$P - i$P_w) / (i$P - i$`φ` / 100 * i$P_w),
  "F-2" = function(i) 0.61094 * exp(17.625 * (i$T - 273.15) / (i$T - 273.15 + 243.04)),
  "F-3" = function(i) i$Q_std * (i$P_ref / i$P) * (i$T / i$T_ref),
  "F-4a" = function(i) i$Q_ind * sqrt((i$P_cal / i$P) * (i$T / i$T_cal)),
  "F-4b" = function(i) i$Q_low + (i$Q_high - i$Q_low) * (i$m - i$m_low) / (i$m_high - i$m_low),
  "F-5" = function(i) i$Q_cal * sqrt(i$T / i$T_cal),
  "F-6" = function(i) 100 * (i$Q_post - i$Q_pre) / i$Q_pre,
  "F-8a" = function(i) integral(i$a_j, i$b_j, i$t_i, i$Q_i),
  "F-8b" = function(i) i$Q * i$t,
  "F-8c" = function(i) i$V * (i$P / i$P_ref) * (i$T_ref / i$T),
  "F-8d" = function(i) i$V * (i$P_cal / i$P) * (i$T / i$T_cal),
  "F-8e" = function(i) i$c * (i$P / i$P_cal) * (i$T_cal / i$T),
  "F-10" = function(i) i$k / i$m * (sqrt(i$`ΔH` * (mmHg(i$P) / 760) * (298 / i$T)) - i$b),
  "F-11a" = function(i) i$s * abs((i$`h₁` - i$`h₂`) - (i$`h₁₀` - i$`h₂₀`)),
  "F-11b" = function(i) i$s * abs(i$`h₁` - i$`h₂`),
  "F-11c" = function(i) i$s * 2 * abs(i$h - i$`h₀`),
  "F-12a" = function(i) sqrt(i$I * (mmHg(i$P) / 760) * (298 / i$T)),
  "F-12b" = function(i) i$Q_std / 1000,
  "F-12c" = function(i) i$Q / 1000 * (mmHg(i$P) / 760) * (298 / i$T),
  "F-12d" = function(i) 1000 * (i$y - i$`b₀`) / i$`b₁` * (760 / mmHg(i$P)) * (i$T / 298),
  "F-12e" = function(i) i$Q_curve * i$Q_read / i$Q_then,
  "F-14a" = function(i) i$LOQ / (i$f * i$L),
  "F-14b" = function(i) i$V_min / i$Q,
  "F-14c" = function(i) i$Q * i$T / i$n,
  "F-14d" = function(i) i$LOQ / i$V,
  "F-14e" = function(i) abs(i$`ΔQ`),

  "C-1a" = function(i) (sum(i$m_i) - sum(i$m_j)) / i$DE,
  "C-1b" = function(i) sum(i$m_i) - sum(i$m_j),
  "C-1c" = function(i) c(0, max(i$m_raw, i$LOQ) / i$DE),
  "C-1d" = function(i) c(0, max(i$m_raw, i$LOQ)),
  "C-1e" = function(i) i$m / i$V,
  "C-1g" = function(i) 100 * i$m_back / i$m_front,
  "C-1h" = function(i) 100 * (i$m_back - mean(i$m_i)) / (i$m_front - mean(i$m_j)),
  "C-1f" = function(i) i$c_told * i$m_other / i$m,
  "C-2a" = function(i) i$c * i$V_m / i$M,
  "C-2b" = function(i) i$x * i$M / i$V_m,
  "C-2c" = function(i) i$R * i$T / i$P,
  "C-3a" = function(i) sum(i$c_i * i$t_i) / 480,
  "C-3b" = function(i) sum(i$c_i / i$L_i),
  "C-3c" = function(i) i$c * i$t / 480,
  "C-3d" = function(i) i$T_shift / sum(i$t_i) * sum(i$c_i * i$t_i) / 480,
  "C-4a" = function(i) i$c * i$t / 15,
  "C-4b" = function(i) i$c * i$t / (15 * ceiling(i$t / 15 - 1e-9)),
  "C-5a" = function(i) i$c / i$L,
  "C-5b" = function(i) max(0, i$Y - i$SAE),
  "C-5c" = function(i) i$Y + i$SAE,
  "C-5d" = function(i) sqrt(sum((i$c_i * i$t_i * i$s_i)^2)) / sum(i$c_i * i$t_i),
  "C-5e" = function(i) sqrt(sum((i$c_i * i$s_i / i$L_i)^2)) / sum(i$c_i / i$L_i),

  "G-1a" = function(i) (i$r_span - i$r_zero) / (i$c_span - i$c_zero),
  "G-1b" = function(i) i$r_zero - i$g * i$c_zero,
  "G-1c" = function(i) i$r_span / i$c_span,
  "G-2a" = function(i) (i$r - i$z) / i$g,
  "G-2b" = function(i) mean(response(i)),
  "G-2c" = function(i) max(response(i)),
  "G-2d" = function(i) min(response(i)),
  "G-2e" = function(i) window15(i$r_i$grid(i$a, i$b, response(i)), i$r_i$h),
  "G-2f" = function(i) {
    span <- sum(i$b_j - i$a_j)
    z <- integral(i$a_j, i$b_j, i$t_i, i$z_i) / span
    g <- integral(i$a_j, i$b_j, i$t_i, i$g_i) / span
    (i$r - z) / g
  },
  "G-2g" = function(i) {
    at <- taken(i$a_j, i$b_j, i$t_i, i$z_i, i$g_i)
    range((i$r - at[[1]]) / at[[2]])
  },
  "G-3a" = function(i) 100 * ((i$z_post + i$g_post * i$c_span) - (i$z_pre + i$g_pre * i$c_span)) / i$c_span,
  "G-3b" = function(i) (i$z_post + i$g_post * i$c_span) - (i$z_pre + i$g_pre * i$c_span),
  "G-3c" = function(i) (i$z_post + i$g_post * i$c_zero) - (i$z_pre + i$g_pre * i$c_zero),
  "G-3d" = function(i) mean(i$r_i) - i$c_span,
  "G-3e" = function(i) i$c_span * i$p / 100,
  "G-3f" = function(i) i$c_told + i$h,
  "G-3g" = function(i) 100 * ((i$z_post + i$g_post * i$c_post) / i$c_post - (i$z_pre + i$g_pre * i$c_pre) / i$c_pre),
  "G-4a" = function(i) i$c_told * i$CF,
  "G-4b" = function(i) i$r_shown / i$F,
  "G-4c" = function(i) 1 / sum(i$x_i / (100 * i$CF_i)),
  "G-4d" = function(i) i$F_unit * i$F_hand,
  "G-4e" = function(i) i$F_unit * i$F_hand * i$M / i$V_m,
  "G-7a" = function(i) i$h * sum(round(1000 * i$r_i$value) > 1000 * i$F * i$L / i$CF),
  "G-7b" = function(i) i$h * sum(round(1000 * i$r_i$value) > 1000 * i$F * (i$z + i$g * i$L / i$CF)),
  "G-7c" = function(i) i$h * sum(response(i) > i$L / i$CF),
  "G-8" = function(i) i$V_full * i$P / i$P_full / i$q,
  "G-10" = function(i) 100 * i$x / i$B,

  "P-1a" = function(i) (i$N - i$b * i$t) / (1000 * i$Q * i$t),
  "P-1b" = function(i) i$N / (1000 * i$Q * i$t),
  "P-1c" = function(i) mean((i$N_i$value / i$h - line(i$N_i$at, i$t_j, i$b_j)) / (1000 * line(i$N_i$at, i$t_j, i$Q_j))),
  "P-1d" = function(i) i$B / i$t,
  "P-1e" = function(i) i$c_from - i$c_to,
  "P-1f" = function(i) i$c_own + i$c_above,
  "P-1g" = function(i) i$r - i$z,
  "P-1h" = function(i) mean(i$r_i$value - line(i$r_i$at, i$t_j, i$z_j)),
  "P-1i" = function(i) max(i$r_i$value - line(i$r_i$at, i$t_j, i$z_j)),
  "P-1j" = function(i) window15(i$r_i$grid(i$a, i$b, i$r_i$value - line(i$r_i$at, i$t_j, i$z_j)), i$r_i$h),
  "P-1k" = function(i) {
    net <- i$N / i$t - i$B / i$t_B
    max(0, net - sqrt((i$N / i$t - garwoodLow(i$N) / i$t)^2 + (garwoodHigh(i$B) / i$t_B - i$B / i$t_B)^2)) / (1000 * i$Q)
  },
  "P-1l" = function(i) {
    net <- i$N / i$t - i$B / i$t_B
    max(0, net + sqrt((garwoodHigh(i$N) / i$t - i$N / i$t)^2 + (i$B / i$t_B - garwoodLow(i$B) / i$t_B)^2)) / (1000 * i$Q)
  },
  "P-1m" = function(i) garwoodLow(i$N) / (1000 * i$Q * i$t),
  "P-1n" = function(i) garwoodHigh(i$N) / (1000 * i$Q * i$t),
  "P-1o" = function(i) (i$N / i$t - i$b) / (1000 * i$c),
  "P-1p" = function(i) qgamma(0.95, i$B + 1) / i$t,
  "P-1q" = function(i) (i$c - i$L) / i$k,
  "P-2" = function(i) 6 * i$w / 100 * 1e12 / (i$`ρ` * pi * i$d^3),
  "P-3a" = function(i) i$N * i$v / i$V,
  "P-3b" = function(i) 100 * i$N_obs / i$N_exp,
  "P-3c" = function(i) i$N_wanted * i$V / i$N,
  "P-4a" = function(i) {
    hidden <- 1000 * i$Q / 60 * i$t_d / 1e6
    uniroot(function(n) n * exp(-n * hidden) - i$N_obs, c(i$N_obs, 1 / hidden), tol = 1e-10)$root
  },
  "P-4b" = function(i) {
    hidden <- 1000 * i$Q / 60 * i$t_d / 1e6
    uniroot(function(n) n * exp(-n * hidden) - i$N_obs, c(1 / hidden, 100 / hidden), tol = 1e-10)$root
  },
  "P-4c" = function(i) 100 * (1 - i$N_obs / i$N),
  "P-4d" = function(i) i$c_told * i$N / i$N_obs,
  "P-5a" = function(i) i$c_told * i$k,
  "P-5b" = function(i) i$c_grav / i$c_told,
  "P-6" = function(i) 100 * (i$d_set - i$d_cert) / i$d_cert
)

# readings of a log with what was applied, zero and gain of their own moment taken out
response <- function(i) (i$r_i$value / i$F - line(i$r_i$at, i$t_j, i$z_j)) / line(i$r_i$at, i$t_j, i$g_j)

# pressures stand in kPa; the conventional millimetre of mercury of NIST SP 811
mmHg <- function(kilopascal) kilopascal / 0.133322387415
