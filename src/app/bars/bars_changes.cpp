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

void BarsChanges::lookAtTracks(const project::Laid& now, const BarsLayout& layout, int width, Places& out) const {
    const auto& tracks = now.project().tracks;
    for (std::size_t i = 0; i < tracks.size(); ++i) {
        const project::TrackPtr& before = laid_->project().tracks[i];
        if (before == tracks[i]) continue;
        const bool same = looksAlike(*before, *tracks[i]);
        out.moved = out.moved || !same;
        // The head says what rule its clips have.
        out.tracks += QRect(0, layout.y(i), same ? BarsLayout::headers : width, layout.heightOf(i));
    }
}

void BarsChanges::lookAtClips(const project::Laid& now, const std::vector<Standing>& standings,
                              const BarsLayout& layout, Places& out) const {
    const auto add = [&](const project::LaidClip& clip) {
        out.tracks += around(layout, clip);
        out.tied = out.tied || isTied(clip);
    };
    for (std::size_t i = 0; i < now.clips().size(); ++i) {
        const project::LaidClip& clip = now.clips()[i];
        const project::LaidClip* before = laid_->find(clip.id());
        if (before == nullptr) {
            add(clip);
            out.moved = true;
            continue;
        }
        const auto place = static_cast<std::size_t>(before - laid_->clips().data());
        if (looksAlike(*before, clip) && standings_[place] == standings[i]) continue;
        add(clip);
        add(*before);
        out.moved = out.moved || before->timing != clip.timing || before->clip->tint != clip.clip->tint;
    }
    for (const project::LaidClip& before : laid_->clips())
        if (now.find(before.id()) == nullptr) {
            add(before);
            out.moved = true;
        }
}

QRegion BarsChanges::since(const Session& session, const BarsLayout& layout, QSize page) {
    const project::LaidPtr& laid = session.laid();
    std::vector<Standing> standings = standingsOf(session, *laid);
    const bool isAnother = isAnotherPage(laid->project(), layout) || tolerance_ != session.proofs().tolerance();
    Places places;
    if (!isAnother) {
        lookAtTracks(*laid, layout, page.width(), places);
        lookAtClips(*laid, standings, layout, places);
    }
    laid_ = laid;
    standings_ = std::move(standings);
    tops_ = layout.tops;
    lanes_ = layout.lanes;
    tolerance_ = session.proofs().tolerance();
    constexpr int many = 40; // patches, which cost more one by one than together
    if (isAnother || places.tied || places.tracks.rectCount() > many) return QRect(QPoint(), page);
    // Nothing of a track lies over the ruler and the lanes.
    QRegion out = places.tracks & QRect(0, layout.top(), page.width(), page.height() - layout.top());
    if (places.moved) out += QRect(0, 0, page.width(), BarsLayout::overview);
    return out;
}

} // namespace app
