// A recording looked at up to where hearing begins to weigh.
#pragma once

#include "hear/kind.h"
#include "hear/recording.h"
#include "hear/strength.h"
#include "hear/tonality.h"

struct Looked {
    hear::Curves curves;
    std::vector<hear::Event> events;
    hear::Span span;

    explicit Looked(const sound::Audio& audio) {
        const hear::Recording recording = *hear::Recording::of(audio);
        curves = hear::curves(hear::Mono(recording));
        events = hear::events(hear::onsets(recording, 0.5), hear::Recording::rate, curves);
        span = hear::spanOf(curves.strength, recording.length().value);
    }

    hear::Colour colour() const {
        return hear::colourOf(curves, events, span, hear::classesOf(curves.pitches).pitched);
    }
    hear::Kind silent() const { return hear::silentKind(curves.strength, colour(), events, span); }
};
