<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Effect;
use MintDoor\Core\Changes\EffectKind;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Time\Window;

/** Effects between the core and the undo data of a change list line. */
final class EffectCodec
{
    private function __construct() {}

    /** @return array<string, mixed> */
    public static function write(Effect $effect): array
    {
        $override = $effect->override;
        $grant = $effect->grant;

        return [
            'kind' => $effect->kind->value,
            'grantId' => $effect->grantId,
            'at' => $effect->at,
            'override' =>
                null === $override
                    ? null
                    : [
                        $override->id,
                        $override->kind->value,
                        $override->window->from,
                        $override->window->until,
                        $override->role,
                        $override->origin,
                        $override->dates?->from,
                        $override->dates?->until,
                        $override->height,
                        $override->putBy,
                        $override->sections,
                    ],
            'grant' =>
                null === $grant
                    ? null
                    : [
                        $grant->id,
                        $grant->doorId,
                        $grant->door->value,
                        $grant->role,
                        $grant->givenAt,
                        $grant->window->from,
                        $grant->window->until,
                        $grant->acceptedAt,
                        $grant->section,
                        $grant->since,
                    ],
        ];
    }

    /** @param array<array-key, mixed> $data as `write()` made it */
    public static function read(array $data): Effect
    {
        $kind = EffectKind::from(self::text($data['kind'] ?? ''));
        $grantId = isset($data['grantId']) ? self::text($data['grantId']) : null;
        if (EffectKind::GiveGrant === $kind) {
            $p = (array) ($data['grant'] ?? []);

            return Effect::giveGrant(
                new Grant(
                    self::text($p[0]),
                    self::text($p[1]),
                    DoorKind::from(self::text($p[2])),
                    self::text($p[3]),
                    (int) self::text($p[4]),
                    new Window((int) self::text($p[5]), (int) self::text($p[6])),
                    (int) self::text($p[7]),
                    isset($p[8]) ? self::text($p[8]) : null,
                    (int) self::text($p[9]),
                ),
            );
        }
        $m = (array) ($data['override'] ?? []);
        $override = new Override(
            self::text($m[0]),
            OverrideKind::from(self::text($m[1])),
            new Window((int) self::text($m[2]), (int) self::text($m[3])),
            isset($m[4]) ? self::text($m[4]) : null,
            isset($m[5]) ? self::text($m[5]) : null,
            isset($m[6]) ? new Window((int) self::text($m[6]), (int) self::text($m[7])) : null,
            (int) self::text($m[8] ?? 0),
            isset($m[9]) ? self::text($m[9]) : null,
            sections: isset($m[10]) ? array_map(self::text(...), array_values((array) $m[10])) : null,
        );

        return EffectKind::PutOverride === $kind
            ? Effect::putOverride($grantId, $override)
            : Effect::endOverride($grantId, $override, (int) self::text($data['at'] ?? 0));
    }

    private static function text(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }
}
