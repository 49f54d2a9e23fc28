#include "deliver/deliver.h"

#include "base/utf8.h"
#include "deliver/file_tags.h"
#include "deliver/midi_map.h"
#include "deliver/mixdown.h"
#include "deliver/report.h"
#include "project/clip_rendering.h"
#include "sound/decibel.h"
#include "sound/loudness.h"
#include "sound/resample.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace deliver {

namespace fs = std::filesystem;
using metre::Beats;
using metre::Bpm;

namespace {

sound::AudioPtr louder(const sound::Audio& audio, float gain) {
    auto out = std::make_shared<sound::Audio>(audio.rate, audio.channelCount(), audio.frames());
    for (std::size_t c = 0; c < out->channels.size(); ++c) {
        const float* from = audio.channels[c].data();
        float* to = &out->channels[c][0];
        for (std::int64_t i = 0; i < audio.frames().value; ++i)
            to[i] = gain * from[i];
    }
    return out;
}

sound::Blocks louder(const sound::Blocks& blocks, float gain) {
    if (gain == 1) return blocks;
    return {blocks.rate, blocks.channels, blocks.length, [blocks, gain](Frames at) -> Result<sound::AudioPtr> {
                const auto block = blocks.next(at);
                if (!block) return block;
                return louder(**block, gain);
            }};
}

// The gain that an order asks for, of what was measured.
float gainOf(const Order& order, sound::Meter& meter) {
    if (order.level == Level::AsItIs) return 1;
    const auto peak = meter.truePeak();
    if (!peak) return 1; // silent
    double db = 0;
    if (order.level == Level::NoHigher) db = std::min(0.0, order.peakDb - *peak);
    if (order.level == Level::Peak) db = order.peakDb - *peak;
    if (order.level == Level::Loudness) {
        const auto loudness = meter.loudness();
        db = std::min(loudness ? order.lufs - *loudness : 0.0, order.peakDb - *peak);
    }
    return static_cast<float>(sound::factorFromDb(db));
}

Result<void> measured(const sound::Blocks& blocks, sound::Meter& meter, const base::Progress& progress) {
    for (Frames at(0); at < blocks.length;) {
        if (progress.stopped()) return base::cancelled();
        const auto block = blocks.next(at);
        if (!block) return tl::unexpected(block.error());
        meter.add(**block);
        at += (*block)->frames();
        progress.at(double(at.value) / double(blocks.length.value));
    }
    return {};
}

// Bars that begin within so many frames of the project, at another rate.
std::vector<sound::CuePoint> cuesOf(const project::Project& p, Frames first, Frames length, int rate) {
    constexpr std::size_t most = 10000;
    std::vector<sound::CuePoint> cues;
    const Beats from = p.tempo.beatAt(metre::toSeconds(first, p.rate));
    for (int bar = p.metre.barAt(from - Beats(1e-6)); cues.size() < most; ++bar) {
        const Frames at = metre::toFrames(p.tempo.secondsAt(p.metre.startOfBar(bar)), p.rate) - first;
        if (at >= length) break;
        if (at < Frames(0)) continue;
        cues.push_back({Frames(std::llround(double(at.value) * rate / p.rate)), fmt::format("bar {}", bar)});
    }
    return cues;
}

sound::WriteAs writeAs(const Order& order) {
    sound::WriteAs as;
    as.depth = order.depth;
    as.dither = order.dither && order.depth == sound::Depth::Int16 && !sound::isLossy(order.kind);
    as.quality = order.quality;
    as.existing = order.existing;
    return as;
}

void say(sound::WriteAs& as, const Music& music) {
    FileTags says = tagsSaying(music);
    as.tags = std::move(says.tags);
    as.loop = std::move(says.loop);
}

// What a file of a span of the project says of itself.
void placeInto(sound::WriteAs& as, const project::Project& p, Frames first, Frames length, int rate,
               const std::string& description) {
    as.cues = cuesOf(p, first, length, rate);
    as.reference = sound::TimeReference{
        std::max<std::int64_t>(0, std::llround(double(first.value) * rate / p.rate)), base::toUtf8(description)};
}

// One order that is being carried out.
class Work {
  public:
    Work(const project::LaidPtr& laid, const std::vector<Planned>& plan, const Order& order,
         const base::Progress& progress, const Known& known, const FileDone& fileDone)
        : laid_(laid), plan_(plan), order_(order), progress_(progress), known_(known), fileDone_(fileDone),
          rate_(rateOf(*laid, order)) {}

    Delivered all() {
        std::error_code error;
        fs::create_directories(order_.folder, error);
        if (error) {
            out_.problems.push_back(fmt::format("{} could not be made: {}.", base::shownPath(order_.folder),
                                                base::writeReason(order_.folder, error.value())));
            for (std::size_t i = 0; i < plan_.size(); ++i)
                done(i, false);
            return std::move(out_);
        }
        // What takes time in about equal shares of the progress.
        double whole = 0;
        for (const Planned& file : plan_)
            whole += shareOf(file);
        double before = 0;
        bool mixed = false;
        for (std::size_t i = 0; i < plan_.size(); ++i) {
            const What what = plan_[i].what;
            double share = shareOf(plan_[i]);
            if (what == What::Stems || what == What::Mix) {
                if (mixed) continue; // with the first of them
                mixed = true;
                share = 0;
                for (const Planned& file : plan_)
                    if (file.what == What::Stems || file.what == What::Mix) share += shareOf(file);
            }
            const base::Progress part = progress_.part(before / whole, (before + share) / whole);
            before += share;
            switch (what) {
            case What::Loops:
                loop(i, part);
                break;
            case What::Stems:
            case What::Mix:
                stemsAndMix(part);
                break;
            case What::Click:
                click(i, part);
                break;
            case What::Map:
                map(i);
                break;
            case What::Proof:
                proof(i, part);
                break;
            }
            if (out_.cancelled || progress_.stopped()) {
                out_.cancelled = true;
                break;
            }
        }
        return std::move(out_);
    }

  private:
    static double shareOf(const Planned& file) { return 1000.0 + double(file.bytes); }

    void done(std::size_t i, bool written) {
        if (written) out_.written.push_back(plan_[i].file);
        if (fileDone_) fileDone_(i, written);
    }
    // Of one that failed: named, unless it was cancelled.
    void failed(std::size_t i, const base::Problem& problem) {
        if (problem.cancelled) {
            out_.cancelled = true;
            return;
        }
        const std::string name = base::shownName(plan_[i].file);
        out_.problems.push_back(problem.text.find(name) != std::string::npos
                                    ? problem.text
                                    : fmt::format("{} was not written: {}", name, problem.text));
        done(i, false);
    }
    void wrote(std::size_t i, const Result<sound::Written>& written) {
        if (!written) {
            failed(i, written.error());
            return;
        }
        out_.clipped += written->clipped;
        done(i, true);
    }

    void loop(std::size_t i, const base::Progress& progress) {
        const project::LaidClip* clip = laid_->find(plan_[i].clip);
        if (clip == nullptr) {
            failed(i, {"its clip is no longer in the project."});
            return;
        }
        auto blocks = loopBlocks(laid_, plan_[i].clip, progress.stop, known_.renderings);
        float gain = 1;
        if (blocks && order_.level != Level::AsItIs) {
            sound::Meter meter(blocks->rate, blocks->channels, sound::Meter::Of::Both);
            if (auto heard = measured(*blocks, meter, progress.part(0, 0.5)); !heard) {
                failed(i, heard.error());
                return;
            }
            gain = gainOf(order_, meter);
            blocks = loopBlocks(laid_, plan_[i].clip, progress.stop, known_.renderings);
        }
        if (!blocks) {
            failed(i, blocks.error());
            return;
        }
        sound::WriteAs as = writeAs(order_);
        if (order_.tags) {
            const project::Timing& time = clip->time();
            Music music{time.stretched ? time.steadyTempo : std::nullopt, keyOf(*clip), beatsOf(*clip)};
            if (music.beats) music.loop = {Frames(0), sound::resampledLength(blocks->length, blocks->rate, rate_)};
            say(as, music);
            placeInto(as, laid_->project(), time.startFrame, time.length, rate_, clip->name());
        }
        const double from = order_.level == Level::AsItIs ? 0 : 0.5;
        wrote(i, sound::write(plan_[i].file, sound::resampled(louder(*blocks, gain), rate_), as,
                              progress.part(from, 1)));
    }

    // Sound of the span, written as it is mixed.
    struct Target {
        std::size_t file = 0;
        std::optional<std::size_t> track; // none: the mix
        std::optional<sound::RateConverter> converter;
        std::optional<sound::Writer> writer;
        bool open = false;

        void close() {
            writer.reset();
            open = false;
        }
    };
    using Targets = std::vector<Target>;

    Targets targetsOfSpan() const {
        Targets targets;
        for (std::size_t i = 0; i < plan_.size(); ++i) {
            if (plan_[i].what != What::Stems && plan_[i].what != What::Mix) continue;
            Target target;
            target.file = i;
            if (plan_[i].what == What::Stems) target.track = plan_[i].track;
            targets.push_back(std::move(target));
        }
        return targets;
    }
    static bool isAnyOpen(const Targets& targets) {
        return std::any_of(targets.begin(), targets.end(), [](const Target& t) { return t.open; });
    }
    void allFailed(const Targets& targets, const base::Problem& problem) {
        for (const Target& target : targets)
            failed(target.file, problem);
    }

    // By how much the mix is turned up or down to have the level that was ordered.
    Result<float> gainOfMix(const Span& span, const base::Progress& progress) const {
        if (order_.level == Level::AsItIs) return 1.0F;
        sound::Meter meter(laid_->project().rate, 2, sound::Meter::Of::Both);
        const auto take = [&](const Mixed& mixed) -> Result<void> {
            meter.add(*mixed.mix);
            return {};
        };
        std::vector<std::string> told; // told again when it is written
        if (auto heard = mixDown(laid_, span, told, take, progress, known_.renderings); !heard)
            return tl::unexpected(heard.error());
        return gainOf(order_, meter);
    }

    void openFor(const Span& span, Target& target) {
        const project::Project& p = laid_->project();
        sound::WriteAs as = writeAs(order_);
        if (order_.tags) {
            const auto& keys = p.keys.points();
            const bool hasKey = keys.size() == 1 && !target.track;
            say(as, {p.tempo.steadyTempo(span.from, span.to), hasKey ? keys.front().key : std::nullopt});
            as.loop = {}; // it is no loop
            placeInto(as, p, span.first, span.length, rate_, base::shownName(plan_[target.file].file));
        }
        auto writer = sound::Writer::open(plan_[target.file].file, rate_, 2,
                                          sound::resampledLength(span.length, p.rate, rate_), as);
        if (!writer) {
            failed(target.file, writer.error());
            return;
        }
        target.writer = std::move(*writer);
        target.open = true;
        if (rate_ != p.rate) target.converter.emplace(p.rate, 2, rate_, span.length);
    }

    void add(Target& target, const Mixed& mixed, const Span& span, float gain) {
        // A file that lacked something would look like one that is whole.
        if (const std::string why = target.track ? mixed.broken[*target.track] : mixed.mixBroken(); !why.empty()) {
            failed(target.file, {why});
            target.close();
            return;
        }
        const sound::Audio* audio = target.track ? mixed.tracks[*target.track] : mixed.mix;
        sound::AudioPtr given(sound::AudioPtr(), audio);
        if (gain != 1) given = louder(*audio, gain);
        const bool last = mixed.at + audio->frames() >= span.length;
        Result<void> added;
        if (target.converter) {
            const auto converted = target.converter->add(*given, last);
            added = converted ? target.writer->add(*converted) : tl::unexpected(converted.error());
        } else {
            added = target.writer->add(*given);
        }
        if (added) return;
        // The disk may be full for one file and not for what another needs.
        failed(target.file, added.error());
        target.close();
    }

    void stemsAndMix(const base::Progress& progress) {
        Targets targets = targetsOfSpan();
        const auto span = spanOf(*laid_, order_);
        if (!span) {
            allFailed(targets, span.error());
            return;
        }
        const auto gain = gainOfMix(*span, progress.part(0, 0.5));
        if (!gain) {
            allFailed(targets, gain.error());
            return;
        }
        for (Target& target : targets)
            openFor(*span, target);
        if (!isAnyOpen(targets)) return;
        const auto take = [&](const Mixed& mixed) -> Result<void> {
            for (Target& target : targets)
                if (target.open) add(target, mixed, *span, *gain);
            if (!isAnyOpen(targets)) return base::problem("nothing could be written");
            return {};
        };
        const double from = order_.level == Level::AsItIs ? 0 : 0.5;
        std::vector<std::string> told;
        const auto mixed = mixDown(laid_, *span, told, take, progress.part(from, 1), known_.renderings);
        out_.problems.insert(out_.problems.end(), told.begin(), told.end());
        for (Target& target : targets) {
            if (!target.open) continue;
            if (mixed)
                wrote(target.file, target.writer->finish());
            else
                failed(target.file, mixed.error());
            target.close();
        }
    }

    void click(std::size_t i, const base::Progress& progress) {
        const auto span = spanOf(*laid_, order_);
        if (!span) {
            failed(i, span.error());
            return;
        }
        sound::WriteAs as = writeAs(order_);
        if (order_.tags) {
            as.tags.bpm = laid_->project().tempo.steadyTempo(span->from, span->to);
            placeInto(as, laid_->project(), span->first, span->length, rate_, "click");
        }
        wrote(i, sound::write(plan_[i].file, sound::resampled(clickBlocks(laid_, *span), rate_), as, progress));
    }

    void map(std::size_t i) {
        const auto span = spanOf(*laid_, order_);
        if (!span) {
            failed(i, span.error());
            return;
        }
        const project::Project& p = laid_->project();
        // It begins where the stems do.
        const auto [tempo, metre] = fromBar(p.tempo, p.metre, order_.fromBar.value_or(1));
        const std::string midi = midiMap(tempo, metre, span->to - span->from);
        if (auto written = base::writeText(plan_[i].file, midi, order_.existing); !written)
            failed(i, written.error());
        else
            done(i, true);
    }

    void proof(std::size_t i, const base::Progress& progress) {
        if (!report_) report_ = reported(laid_, order_, known_, progress); // for both of its files
        if (report_->cancelled) {
            out_.cancelled = true;
            return;
        }
        const bool html = plan_[i].file.extension() == ".html";
        const std::string text = html ? proofPage(*report_) : proofTable(*report_);
        if (auto written = base::writeText(plan_[i].file, text, order_.existing); !written)
            failed(i, written.error());
        else
            done(i, true);
    }

    const project::LaidPtr& laid_;
    const std::vector<Planned>& plan_;
    const Order& order_;
    const base::Progress& progress_;
    const Known& known_;
    const FileDone& fileDone_;
    int rate_;
    std::optional<Report> report_;
    Delivered out_;
};

} // namespace

Delivered deliver(const project::LaidPtr& laid, const std::vector<Planned>& plan, const Order& order,
                  const base::Progress& progress, const Known& known, const FileDone& fileDone) {
    return Work(laid, plan, order, progress, known, fileDone).all();
}

} // namespace deliver
