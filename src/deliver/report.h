// The proof of a whole project, to be read or handed on.
#pragma once

#include "deliver/deliver.h"

namespace deliver {

struct ReportRow {
    std::string track;
    std::string name;
    std::string at;                            // bar · beat · part where it begins
    std::string tempo;                         // "112 → 104", "as recorded"
    std::string method;                        // "Struck"; empty where it is not stretched
    std::optional<double> strain;              // per cent
    std::shared_ptr<const prove::Proof> proof; // null where it could not be measured
    std::string problem;                       // why not
    std::string worstAt;                       // where the worst hit belongs
    metre::Seconds begins;                     // in the project, and how long it is: for the drawing
    metre::Seconds length;
};

struct Report {
    std::string title;
    std::string tempo; // "104 BPM"
    metre::Seconds tolerance;
    std::vector<ReportRow> rows; // by track, as they stand on the page
    bool cancelled = false;
};

// Takes the proofs that are known and measures the others, each clip rendered for it. Any thread; takes time.
Report reported(const project::LaidPtr& laid, const Order& order, const Known& known,
                const base::Progress& progress = {});

// A page of HTML that needs nothing else, with a drawing of every clip's hits.
std::string proofPage(const Report& report);
// The figures as comma-separated values, a head and a line a clip (RFC 4180): track, clip, at, tempo, method,
// strain_percent, verdict, hits, in_time, early, late, unread, median_ms, p95_ms, worst_ms, worst_at, drift_ms,
// cents, length_error_frames, loudness_change_lu, lufs, true_peak_dbtp. What is not known is empty.
std::string proofTable(const Report& report);

} // namespace deliver
