// The proofs of the project's clips: measured in the background, one clip after the other, as soon as what comes
// out of a clip is rendered, and anew whenever that or the grid changes.
#pragma once

#include "app/session/document.h"
#include "app/session/jobs.h"
#include "app/session/mailbox.h"
#include "play/player.h"
#include "prove/prove_clip.h"

#include <QObject>
#include <deque>
#include <memory>
#include <optional>
#include <thread>
#include <unordered_map>
#include <vector>

namespace app {

class Proofs : public QObject {
    Q_OBJECT
  public:
    Proofs(Document& document, play::Player& player, Jobs& jobs);
    ~Proofs() override; // ends what is being measured

    // Up to how far off is in time; nothing is measured anew.
    void setTolerance(metre::Seconds tolerance);
    metre::Seconds tolerance() const { return tolerance_; }

    // Of a clip as it is now; null while that is not measured yet, and where it cannot be: an older proof is none.
    std::shared_ptr<const prove::Proof> of(ClipId id) const;
    // Whether it is still to be measured: one that cannot be heard is not.
    bool isWaiting(ClipId id) const;

    struct Summary {
        std::array<int, prove::landings.size()> counts{}; // by landing
        int waiting = 0;
        int count(prove::Landing landing) const { return counts[static_cast<std::size_t>(landing)]; }
        bool operator==(const Summary&) const = default;
    };
    Summary summary() const { return summary_; }

    // A hit of a clip.
    struct Place {
        ClipId clip;
        prove::Hit hit;
    };
    // Where to look first: the hit that is farthest off in what is wrong; where nothing is, in what is loose; else
    // of all. None when none was read.
    std::optional<Place> worst() const;
    // The next that is beyond the tolerance, after a place on the page and on from the beginning.
    std::optional<Place> nextOff(Beats after) const;

    // Measures all that is not measured yet, rendering what is not rendered yet, as a job that shows how far it is.
    void proveAll();

    // Looks for what is to be measured next: after each change, and whenever something was rendered.
    void look();

  signals:
    void changed();
    void said(const QString& sentence);

  private:
    struct Known {
        std::shared_ptr<const project::Timing> timing; // as these were when it was measured
        project::SourcePtr source;
        std::shared_ptr<const prove::Proof> proof;
    };
    // A clip that is to be measured, from pieces that are rendered or, where there are none, rendered for it.
    struct Task {
        project::LaidPtr laid;
        ClipId clip;
        base::Key rendering;
        project::RenderingsPtr there;
        prove::Proven known;
    };
    struct Done {
        project::LaidPtr laid;
        ClipId clip;
        base::Key rendering;
        prove::Proven is; // without a proof where it could not be measured
        QString problem;  // and why; empty where it was stopped
    };
    // Measurements, found again by a key of the sound that was measured. When they take more bytes than they may,
    // the oldest are forgotten.
    template <class Value>
    class Kept {
      public:
        std::shared_ptr<const Value> find(base::Key key) const {
            const auto found = values_.find(key);
            return found == values_.end() ? nullptr : found->second.value;
        }
        void put(base::Key key, std::shared_ptr<const Value> value, std::size_t bytes) {
            if (!values_.emplace(key, Entry{std::move(value), bytes}).second) return;
            order_.push_back(key);
            for (bytes_ += bytes; bytes_ > most && order_.size() > 1; order_.pop_front()) {
                bytes_ -= values_[order_.front()].bytes;
                values_.erase(order_.front());
            }
        }

      private:
        static constexpr std::size_t most = std::size_t(24) << 20;
        struct Entry {
            std::shared_ptr<const Value> value;
            std::size_t bytes = 0;
        };
        std::unordered_map<base::Key, Entry, base::KeyHash> values_;
        std::deque<base::Key> order_;
        std::size_t bytes_ = 0;
    };

    static Done measured(const Task& task, const base::Progress& progress);
    Task taskOf(const project::LaidClip& clip) const;
    const Known* knownOf(const project::LaidClip& clip) const;
    static bool canBeMeasured(const project::LaidClip& clip);
    void take(const Done& done);
    void count();
    void tellSummary();

    Document& document_;
    play::Player& player_;
    Jobs& jobs_;
    metre::Seconds tolerance_ = prove::usualTolerance;
    std::unordered_map<std::int64_t, Known> known_; // by clip
    Kept<prove::Measured> sources_;
    Kept<prove::CameOut> cameOut_;
    Summary summary_;
    bool busy_ = false;
    bool told_ = false;        // that a clip could not be measured
    std::int64_t sought_ = -1; // how far rendering was when nothing was found to be measured
    Mailbox mailbox_;          // outlives the worker
    std::jthread worker_;      // of one clip at a time
};

} // namespace app
