#include "deliver/report.h"

#include "base/utf8.h"
#include "metre/tempo.h"
#include "prove/strain.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <map>

namespace deliver {

namespace {

std::string escapedHtml(const std::string& text) {
    std::string out;
    for (const char c : base::toUtf8(text)) {
        if (c == '&')
            out += "&amp;";
        else if (c == '<')
            out += "&lt;";
        else if (c == '>')
            out += "&gt;";
        else if (c == '"')
            out += "&quot;";
        else
            out += c;
    }
    return out;
}

// A field of a table: in quotes where it needs them. What a spreadsheet would take for a formula is told apart.
std::string escapedCsv(const std::string& text) {
    std::string plain = base::toUtf8(text);
    if (!plain.empty() && std::string("=+-@").find(plain.front()) != std::string::npos) plain.insert(0, "'");
    if (plain.find_first_of(",\"\r\n") == std::string::npos) return plain;
    std::string out = "\"";
    for (const char c : plain) {
        if (c == '"') out += '"';
        out += c;
    }
    return out + '"';
}

std::string milliseconds(Seconds s) {
    return fmt::format("{:.2f}", s.value * 1000 + 0.0);
}

std::string signedMs(Seconds s) {
    const double ms = s.value * 1000;
    if (std::abs(ms) < 0.05) return "on the grid";
    return fmt::format("{:.1f} ms {}", std::abs(ms), ms < 0 ? "early" : "late");
}

const char* colourOf(prove::Landing landing) {
    switch (landing) {
    case prove::Landing::InTime:
        return "#2E7D6B";
    case prove::Landing::Early:
        return "#C27617";
    case prove::Landing::Late:
        return "#8C3B6E";
    case prove::Landing::Loose:
        return "#2E7D6B";
    case prove::Landing::OffGrid:
        return "#A2362B";
    case prove::Landing::Unread:
        break;
    }
    return "#5B6470";
}

// A round mark, one that points left or right, two halves apart, a square, or a ring.
std::string mark(double x, double y, prove::Landing landing) {
    const char* colour = colourOf(landing);
    if (landing == prove::Landing::InTime)
        return fmt::format("<circle cx=\"{:.1f}\" cy=\"{:.1f}\" r=\"3\" fill=\"{}\"/>", x, y, colour);
    if (landing == prove::Landing::Loose)
        return fmt::format("<path d=\"M{0:.1f} {1:.1f}a3 3 0 0 0 0 6M{2:.1f} {1:.1f}a3 3 0 0 1 0 6\" fill=\"none\" "
                           "stroke=\"{3}\" stroke-width=\"1.8\"/>",
                           x - 1, y - 3, x + 1, colour);
    if (landing == prove::Landing::OffGrid)
        return fmt::format("<rect x=\"{:.1f}\" y=\"{:.1f}\" width=\"6\" height=\"6\" fill=\"{}\"/>", x - 3, y - 3,
                           colour);
    if (landing == prove::Landing::Unread)
        return fmt::format(
            "<circle cx=\"{:.1f}\" cy=\"{:.1f}\" r=\"2.5\" fill=\"none\" stroke=\"{}\" stroke-width=\"1.4\"/>", x,
            y, colour);
    const double way = landing == prove::Landing::Early ? -1 : 1;
    return fmt::format("<path d=\"M{:.1f} {:.1f}L{:.1f} {:.1f}L{:.1f} {:.1f}Z\" fill=\"{}\"/>", x + way * 4, y,
                       x - way * 3, y - 3.6, x - way * 3, y + 3.6, colour);
}

// The hits of a clip before (hollow) and after (full), over the band that counts as in time.
std::string drawing(const ReportRow& row, Seconds tolerance) {
    constexpr double width = 900;
    constexpr double height = 64;
    constexpr double half = height / 2 - 6;
    constexpr std::size_t most = 1500; // marks; more would lie on each other
    const auto y = [&](Seconds off) {
        return height / 2 + std::clamp(off.value / (3 * tolerance.value), -1.0, 1.0) * half;
    };
    std::string out = fmt::format("<svg viewBox=\"0 0 {0:.0f} {1:.0f}\" role=\"img\" aria-label=\"hits of {2}\">",
                                  width, height, escapedHtml(row.name));
    out += fmt::format("<rect x=\"0\" y=\"{:.1f}\" width=\"{:.0f}\" height=\"{:.1f}\" fill=\"#E1EEE7\"/>",
                       y(-tolerance), width, y(tolerance) - y(-tolerance));
    out +=
        fmt::format("<path d=\"M0 {0:.1f}H{1:.0f}\" stroke=\"#2E7D6B\" stroke-opacity=\".6\"/>", height / 2, width);
    const std::size_t stride = std::max<std::size_t>(1, row.proof->hits.size() / most);
    std::string full;
    std::size_t read = 0;
    for (std::size_t i = 0; i < row.proof->hits.size(); ++i) {
        const prove::Hit& hit = row.proof->hits[i];
        if (!hit.off) continue;
        const Seconds at = row.proof->deviations[read].at;
        const bool isWorst = read == row.proof->sums.worstIndex;
        ++read;
        if (i % stride != 0 && !isWorst) continue;
        const double x = 5 + (at - row.begins).value / std::max(1e-9, row.length.value) * (width - 10);
        if (hit.before)
            out +=
                fmt::format("<circle cx=\"{:.1f}\" cy=\"{:.1f}\" r=\"2.6\" fill=\"#FBF8F0\" stroke=\"#5B6470\"/>",
                            x, y(*hit.before));
        full += mark(x, y(*hit.off), prove::landingOf(*hit.off, tolerance));
    }
    return out + full + "</svg>";
}

std::string tempoText(const project::LaidClip& clip) {
    if (!clip.time().stretched) return "as recorded";
    return fmt::format("{} → {}", metre::tempoLabel(clip.source->beats->meanTempo()),
                       metre::tempoLabel(clip.time().tempo));
}

prove::Landing landingOf(const ReportRow& row, Seconds tolerance) {
    return row.proof ? row.proof->landing(tolerance) : prove::Landing::Unread;
}

} // namespace

Report reported(const project::LaidPtr& laid, const Order& order, const Known& known,
                const base::Progress& progress) {
    Report report;
    const project::Project& p = laid->project();
    report.title = order.title.empty() ? "project" : order.title;
    report.tempo = p.tempo.isSteady()
                       ? metre::tempoLabel(p.tempo.points().front().bpm) + " BPM"
                       : metre::tempoLabel(p.tempo.points().front().bpm) + " BPM at first, then changing";
    report.tolerance = order.tolerance;
    std::map<const project::Source*, std::shared_ptr<const prove::Measured>> sources;
    const double count = std::max<double>(1, double(laid->clips().size()));
    double done = 0;
    for (const project::LaidClip& clip : laid->clips()) {
        const base::Progress part = progress.part(done / count, (done + 1) / count);
        done += 1;
        if (progress.stopped()) {
            report.cancelled = true;
            return report;
        }
        if (!clip.source) continue;
        ReportRow row;
        row.track = clip.track->name;
        row.name = clip.name();
        row.at = metre::positionLabel(p.metre.positionAt(clip.time().start));
        row.tempo = tempoText(clip);
        row.begins = metre::toSeconds(clip.time().startFrame, p.rate);
        row.length = metre::toSeconds(clip.time().length, p.rate);
        if (clip.time().stretched) {
            row.method = stretch::methodLabel(clip.clip->stretch.method);
            row.strain = prove::strainOf(clip).percent;
        }
        if (known.proof) row.proof = known.proof(clip.id());
        if (row.proof) {
            if (auto whole = prove::withLevels(clip, known.renderings, row.proof, part); whole)
                row.proof = *whole;
            else
                row.problem = whole.error().text;
        }
        if (!row.proof && clip.time().parts.empty()) row.problem = clip.time().problem;
        if (!row.proof && row.problem.empty()) {
            prove::Proven proven;
            proven.source = sources[clip.source.get()];
            if (const auto measured = prove::proveClip(clip, p.tempo, known.renderings, true, proven, part);
                measured)
                row.proof = proven.proof;
            else
                row.problem = measured.error().text;
            sources[clip.source.get()] = proven.source;
        }
        if (progress.stopped()) {
            report.cancelled = true;
            return report;
        }
        if (row.proof)
            if (const prove::Hit* worst = row.proof->worst())
                row.worstAt = metre::positionLabel(p.metre.positionAt(worst->place));
        report.rows.push_back(std::move(row));
    }
    return report;
}

std::string proofTable(const Report& report) {
    std::string out =
        "track,clip,at,tempo,method,strain_percent,verdict,hits,in_time,early,late,unread,median_ms,p95_ms,"
        "worst_ms,worst_at,drift_ms,cents,length_error_frames,loudness_change_lu,lufs,true_peak_dbtp,placed_median_"
        "ms,placed_p95_ms,"
        "placed_worst_ms,played_median_ms,played_p95_ms,played_worst_ms,off_grid_ms\r\n";
    const auto number = [](const std::optional<double>& value) {
        return value ? fmt::format("{:.2f}", *value + 0.0) : std::string();
    };
    for (const ReportRow& row : report.rows) {
        std::vector<std::string> fields{escapedCsv(row.track),
                                        escapedCsv(row.name),
                                        escapedCsv(row.at),
                                        escapedCsv(row.tempo),
                                        escapedCsv(row.method),
                                        number(row.strain),
                                        prove::landingWord(landingOf(row, report.tolerance))};
        if (row.proof) {
            const prove::Proof& proof = *row.proof;
            const prove::Counts counts = prove::counted(proof.deviations, report.tolerance);
            const bool any = !proof.deviations.empty();
            const auto ms = [&](Seconds s) { return any ? milliseconds(s) : std::string(); };
            for (const std::size_t n : {proof.hits.size(), counts.inTime, counts.early, counts.late,
                                        proof.hits.size() - proof.deviations.size()})
                fields.push_back(std::to_string(n));
            fields.push_back(ms(proof.sums.median));
            fields.push_back(ms(proof.sums.p95));
            fields.push_back(ms(proof.sums.worst));
            fields.push_back(escapedCsv(row.worstAt));
            fields.push_back(ms(proof.sums.drift));
            fields.push_back(number(proof.cents));
            fields.push_back(std::to_string(proof.lengthError.value));
            const prove::ClipLevels levels = proof.levels.value_or(prove::ClipLevels());
            fields.push_back(number(levels.change));
            fields.push_back(number(levels.cameOut.lufs));
            fields.push_back(number(levels.cameOut.truePeak));
            for (const prove::Deviations* sums : {&proof.placedSums, &proof.playedSums})
                for (const Seconds value : {sums->median, sums->p95, sums->worst})
                    fields.push_back(ms(value));
            fields.push_back(milliseconds(proof.offGrid));
        } else {
            fields.resize(29);
        }
        for (std::size_t i = 0; i < fields.size(); ++i)
            out += (i > 0 ? "," : "") + fields[i];
        out += "\r\n";
    }
    return out;
}

namespace {

constexpr const char* style =
    "body{background:#F4EFE4;color:#1F2A37;font:15px/1.5 "
    "Inter,system-ui,sans-serif;max-width:960px;margin:32px "
    "auto;padding:0 20px}\n"
    "h1{font:400 30px/1.2 Vollkorn,Georgia,serif;margin:0}\n"
    "p{margin:.4em 0}.soft{color:#5B6470}\n"
    "section{background:#FBF8F0;border:1px solid #DDD3BD;margin:14px 0;padding:12px 16px}\n"
    "h2{font-size:16px;margin:0;display:flex;justify-content:space-between;gap:12px}\n"
    "dl{display:flex;flex-wrap:wrap;gap:4px 26px;margin:8px 0}dt{color:#5B6470;font-size:12px}\n"
    "dd{margin:0;font:17px Vollkorn,Georgia,serif;font-variant-numeric:lining-nums tabular-nums}\n"
    "svg{width:100%;display:block;background:#F4EFE4}\n"
    "@media print{body{background:#fff}section{break-inside:avoid}}\n";

// How many clips there are of each verdict, with its mark.
std::string countsOf(const Report& report) {
    std::array<int, prove::landings.size()> counts{};
    for (const ReportRow& row : report.rows)
        ++counts[static_cast<std::size_t>(landingOf(row, report.tolerance))];
    std::string words;
    for (const prove::Landing landing : prove::landings)
        if (const int n = counts[static_cast<std::size_t>(landing)]; n > 0)
            words += fmt::format(
                "{}<svg style=\"display:inline;width:12px;height:12px\" viewBox=\"0 0 12 12\">{}</svg> {} {}",
                words.empty() ? "" : " &nbsp; ", mark(6, 6, landing), n, prove::landingWord(landing));
    return words.empty() ? "No clips." : words;
}

// What was measured of a clip, as a list of terms.
std::string factsOf(const ReportRow& row) {
    std::string facts;
    const auto fact = [&](const char* name, const std::string& value) {
        facts += fmt::format("<div><dt>{}</dt><dd>{}</dd></div>", name, escapedHtml(value));
    };
    fact("tempo", row.tempo);
    if (!row.method.empty()) fact("method", row.method);
    if (row.strain) fact("strain", fmt::format("{:+.1f} %", *row.strain));
    if (!row.proof) return facts;
    const prove::Proof& proof = *row.proof;
    if (!proof.deviations.empty()) {
        fact("hits read", fmt::format("{} of {}", proof.deviations.size(), proof.hits.size()));
        fact("median", fmt::format("{:.1f} ms", proof.sums.median.value * 1000));
        fact("95 % within", fmt::format("{:.1f} ms", proof.sums.p95.value * 1000));
        fact("worst", fmt::format("{} at {}", signedMs(proof.sums.worst), row.worstAt));
        fact("drift, first to last bar", fmt::format("{:+.1f} ms", proof.sums.drift.value * 1000 + 0.0));
        fact("placed, 95 % within", fmt::format("{:.1f} ms", proof.placedSums.p95.value * 1000));
        fact("played, 95 % within", fmt::format("{:.1f} ms", proof.playedSums.p95.value * 1000));
        if (std::abs(proof.offGrid.value) > 0.0005) fact("beside the grid", signedMs(proof.offGrid));
    }
    if (proof.cents) fact("pitch", fmt::format("{:+.1f} cents", *proof.cents + 0.0));
    fact("length", proof.lengthError == Frames(0) ? "exact to the sample"
                                                  : fmt::format("{:+d} samples", proof.lengthError.value));
    if (proof.levels && proof.levels->change)
        fact("loudness", fmt::format("{:+.1f} LU", *proof.levels->change + 0.0));
    if (proof.levels && proof.levels->cameOut.truePeak)
        fact("true peak", fmt::format("{:.1f} dBTP", *proof.levels->cameOut.truePeak));
    return facts;
}

std::string sectionOf(const ReportRow& row, Seconds tolerance) {
    const prove::Landing landing = landingOf(row, tolerance);
    std::string out = fmt::format("<section><h2><span>{} <span class=\"soft\">on {}, from {}</span></span><span "
                                  "style=\"color:{}\">{}</span></h2>\n",
                                  escapedHtml(row.name), escapedHtml(row.track), escapedHtml(row.at),
                                  colourOf(landing), prove::landingWord(landing));
    out += "<dl>" + factsOf(row) + "</dl>\n";
    const std::string why = row.proof && row.problem.empty() ? row.proof->unread : row.problem;
    if (!why.empty()) out += fmt::format("<p class=\"soft\">{}</p>\n", escapedHtml(why));
    if (row.proof && !row.proof->deviations.empty()) out += drawing(row, tolerance) + "\n";
    return out + "</section>\n";
}

} // namespace

std::string proofPage(const Report& report) {
    const std::string title = escapedHtml(report.title);
    std::string out =
        fmt::format("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\">"
                    "<meta name=\"viewport\" content=\"width=device-width\"><title>{}: proof</title>\n"
                    "<style>\n{}</style></head><body>\n<h1>{}: proof</h1>\n<p>{}</p>\n",
                    title, style, title, countsOf(report));
    out += fmt::format(
        "<p class=\"soft\">{} · in time is within ±{:g} ms of a hit’s own place in the beat, measured in "
        "what came out · hollow: as recorded, full: as fitted</p>\n",
        escapedHtml(report.tempo), report.tolerance.value * 1000);
    for (const ReportRow& row : report.rows)
        out += sectionOf(row, report.tolerance);
    return out + "</body></html>\n";
}

} // namespace deliver
