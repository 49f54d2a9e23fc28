// Between the core's text and Qt's.
#pragma once

#include "base/utf8.h"

#include <QString>
#include <cstdint>
#include <filesystem>
#include <string>

namespace app {

inline QString qt(const std::string& text) {
    return QString::fromStdString(base::toUtf8(text));
}

// A number and what it counts, which agree: one of "1 clip" and "%1 clips".
inline QString counted(std::int64_t n, const QString& one, const QString& many) {
    return n == 1 ? one : many.arg(n);
}

// File names are bytes: Qt's own conversion keeps what is no UTF-8 only through the local encoding.
inline std::filesystem::path pathOf(const QString& text) {
    return {text.toLocal8Bit().toStdString()};
}

// A path as text that is kept, and back, byte for byte and whatever the locale: what is no UTF-8 goes in
// hexadecimal.
inline QString keptPath(const std::filesystem::path& path) {
    const std::string& bytes = path.native();
    if (base::isUtf8(bytes)) return QString::fromStdString(bytes);
    return QStringLiteral("bytes:") + QString::fromLatin1(QByteArray::fromStdString(bytes).toHex());
}
inline std::filesystem::path pathKept(const QString& text) {
    if (text.startsWith(QStringLiteral("bytes:")))
        return {QByteArray::fromHex(text.mid(6).toLatin1()).toStdString()};
    return {text.toUtf8().toStdString()};
}

} // namespace app
