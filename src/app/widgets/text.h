// Between the core's text and Qt's.
#pragma once

#include "base/utf8.h"

#include <QString>
#include <filesystem>
#include <string>

namespace app {

inline QString qt(const std::string& text) {
    return QString::fromStdString(base::toUtf8(text));
}

// File names are bytes: Qt's own conversion keeps what is no UTF-8 only through the local encoding.
inline std::filesystem::path pathOf(const QString& text) {
    return {text.toLocal8Bit().toStdString()};
}

} // namespace app
