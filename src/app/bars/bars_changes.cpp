#include "app/bars/bars_changes.h"

namespace app {

namespace {

// Of a clip with its frame and what hangs over its edges.
QRect around(const BarsLayout& layout, const project::LaidClip& clip) {
    return layout.clip(clip).toAlignedRect().adjusted(-8, -3, 8, 3);
}

bool looksAlike(const project::LaidClip& a, const project::LaidClip& b) {
    return a.trackIndex == b.trackIndex && a.timing == b.timing && a.source == b.source && a.rule == b.rule &&
           a.chain == b.chain && (a.clip == b.clip || *a.clip == *b.clip);
}

// But for its clips.
bool looksAlike(const project::Track& a, const project::Track& b) {
    return a.id == b.id && a.name == b.name && a.tint == b.tint && a.gainDb == b.gainDb && a.pan == b.pan &&
           a.mute == b.mute && a.solo == b.solo && a.rule == b.rule;
}

// What belongs to a set is tied to others of it.
bool isTied(const project::LaidClip& clip) {
    return clip.source && clip.source->set;
}

} // namespace

std::vector<BarsChanges::Standing> BarsChanges::standingsOf(const Session& session, const project::Laid& laid) {
    std::unordered_set<std::int64_t> selected;
    for (const ClipId id : session.selection().clips)
        selected.insert(id.value);
    std::vector<Standing> all;
    all.reserve(laid.clips().size());
    for (const project::LaidClip& clip : laid.clips()) {
        const ClipId id = clip.id();
        all.push_back({selected.count(id.value) > 0, session.player().isRendered(id),
                       session.player().problemWith(id), session.proofs().of(id)});
    }
    return all;
}

bool BarsChanges::isAnotherPage(const project::Project& now, const BarsLayout& layout) const {
    if (!laid_ || tops_ != layout.tops || lanes_ != layout.lanes) return true;
    const project::Project& before = laid_->project();
    return !(static_cast<const project::Timeline&>(before) == now) || before.sections != now.sections ||
           !(before.loop == now.loop) || !(before.view == now.view) || before.tracks.size() != now.tracks.size();
}

QRegion BarsChanges::since(const Session& session, const BarsLayout& layout, QSize page) {
    const project::LaidPtr& laid = session.laid();
    std::vector<Standing> standings = standingsOf(session, *laid);
    bool all = isAnotherPage(laid->project(), layout) || tolerance_ != session.proofs().tolerance();
    QRegion changed;
    const auto add = [&](const project::LaidClip& clip) {
        changed += around(layout, clip);
        all = all || isTied(clip);
    };
    bool moved = false; // seen in the overview
    if (!all) {
        const auto& tracks = laid->project().tracks;
        for (std::size_t i = 0; i < tracks.size(); ++i) {
            const project::TrackPtr& before = laid_->project().tracks[i];
            if (before == tracks[i]) continue;
            const bool same = looksAlike(*before, *tracks[i]);
            moved = moved || !same;
            // The head says what rule its clips have.
            changed += QRect(0, layout.y(i), same ? BarsLayout::headers : page.width(), layout.heightOf(i));
        }
        std::size_t known = 0; // of the clips shown before
        for (std::size_t i = 0; i < laid->clips().size() && !all; ++i) {
            const project::LaidClip& clip = laid->clips()[i];
            const project::LaidClip* before = laid_->find(clip.id());
            if (before != nullptr) ++known;
            const auto place = before == nullptr ? 0 : static_cast<std::size_t>(before - laid_->clips().data());
            if (before != nullptr && looksAlike(*before, clip) && standings_[place] == standings[i]) continue;
            add(clip);
            if (before != nullptr) add(*before);
            moved = moved || before == nullptr || before->timing != clip.timing ||
                    before->clip->tint != clip.clip->tint;
        }
        if (known < laid_->clips().size()) {
            moved = true;
            for (const project::LaidClip& before : laid_->clips())
                if (laid->find(before.id()) == nullptr) add(before);
        }
        if (moved) changed += QRect(0, 0, page.width(), BarsLayout::overview);
    }
    laid_ = laid;
    standings_ = std::move(standings);
    tops_ = layout.tops;
    lanes_ = layout.lanes;
    tolerance_ = session.proofs().tolerance();
    const QRect whole(QPoint(), page);
    constexpr int many = 40; // patches, which cost more one by one than together
    if (all || changed.rectCount() > many) return whole;
    // Nothing of a track lies over the ruler and the lanes.
    const QRect field(0, layout.top(), page.width(), page.height() - layout.top());
    QRegion out = changed & field;
    if (moved) out += QRect(0, 0, page.width(), BarsLayout::overview);
    return out;
}

} // namespace app
