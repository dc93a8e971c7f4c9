<?php

declare(strict_types=1);

namespace MintDoor\Platform;

use MintDoor\Core\Platform\DaysOff;
use MintDoor\Core\Platform\Detail;
use MintDoor\Core\Platform\DetailReader;
use MintDoor\Core\Platform\DetailType;
use MintDoor\Core\Platform\Division;
use MintDoor\Core\Platform\DivisionTree;
use MintDoor\Core\Platform\LabelsKept;
use MintDoor\Core\Platform\Letterhead;
use MintDoor\Core\Platform\Levels;
use MintDoor\Core\Platform\Look;
use MintDoor\Core\Platform\MailCarrier;
use MintDoor\Core\Platform\MailSecurity;
use MintDoor\Core\Platform\MailServer;
use MintDoor\Core\Platform\OwnKind;
use MintDoor\Core\Platform\Registration;
use MintDoor\Core\Platform\RegistrationFor;
use MintDoor\Core\Platform\Settings;
use MintDoor\Core\Platform\Starter;
use MintDoor\Core\Platform\Term;

/** Settings between the core and the JSON or YAML they are kept, answered and carried as. */
final class SettingsCodec
{
    private function __construct() {}

    /**
     * @return array{
     *     name: string,
     *     divisions: list<array<string, mixed>>,
     *     terms: list<array<string, ?string>>,
     *     daysOff: list<array<string, ?string>>,
     *     look: array<string, string>,
     *     mail: array<string, mixed>,
     *     letterheads: list<array<string, ?string>>,
     *     registrations: list<array<string, mixed>>,
     *     starters: list<array<string, mixed>>,
     *     labels: array{free: bool, names: list<string>},
     *     details: list<array<string, mixed>>,
     *     kinds: list<array<string, mixed>>,
     * } schema `Settings`
     */
    public static function write(Settings $settings): array
    {
        return [
            'name' => $settings->name,
            'divisions' => array_map(
                static fn(array $row): array => self::writeDivision($row['division']),
                $settings->divisions->inOrder(),
            ),
            'terms' => array_map(get_object_vars(...), $settings->terms),
            'daysOff' => array_map(get_object_vars(...), $settings->daysOff),
            'look' => get_object_vars($settings->look),
            'mail' => [
                ...get_object_vars($settings->mail),
                'carrier' => $settings->mail->carrier->value,
                'security' => $settings->mail->security->value,
            ],
            'letterheads' => array_map(get_object_vars(...), $settings->letterheads),
            'registrations' => array_map(
                static fn(Registration $each): array => [...get_object_vars($each), 'for' => $each->for->value],
                $settings->registrations,
            ),
            'starters' => array_map(get_object_vars(...), $settings->starters),
            'labels' => ['free' => $settings->labels->free, 'names' => $settings->labels->names],
            'details' => array_map(self::writeDetail(...), $settings->details),
            'kinds' => array_map(get_object_vars(...), $settings->kinds),
        ];
    }

    /** @param array<array-key, mixed> $data as `write()` made it; what is not understood is left out */
    public static function read(array $data): Settings
    {
        return new Settings(
            self::string($data['name'] ?? ''),
            new DivisionTree(array_map(self::readDivision(...), self::rows($data['divisions'] ?? []))),
            array_map(
                static fn(array $row): Term => new Term(
                    self::string($row['code'] ?? ''),
                    self::string($row['name'] ?? ''),
                    self::string($row['startsOn'] ?? ''),
                    self::string($row['endsOn'] ?? ''),
                    self::stringOrNull($row['division'] ?? null),
                ),
                self::rows($data['terms'] ?? []),
            ),
            array_map(
                static fn(array $row): DaysOff => new DaysOff(
                    self::string($row['name'] ?? ''),
                    self::string($row['from'] ?? ''),
                    self::string($row['until'] ?? ''),
                    self::stringOrNull($row['division'] ?? null),
                ),
                self::rows($data['daysOff'] ?? []),
            ),
            self::readLook((array) ($data['look'] ?? [])),
            self::readMail((array) ($data['mail'] ?? [])),
            array_map(self::readLetterhead(...), self::rows($data['letterheads'] ?? [])),
            array_map(self::readRegistration(...), self::rows($data['registrations'] ?? [])),
            array_map(self::readStarter(...), self::rows($data['starters'] ?? [])),
            self::readLabels((array) ($data['labels'] ?? [])),
            array_map(self::readDetail(...), self::rows($data['details'] ?? [])),
            array_map(
                static fn(array $row): OwnKind => new OwnKind(
                    self::string($row['code'] ?? ''),
                    self::string($row['name'] ?? ''),
                    self::string($row['like'] ?? ''),
                    self::strings($row['roles'] ?? []),
                ),
                self::rows($data['kinds'] ?? []),
            ),
        );
    }

    /** @param array<array-key, mixed> $data */
    private static function readLook(array $data): Look
    {
        return new Look(self::string($data['mark'] ?? ''), self::string($data['accent'] ?? ''));
    }

    /** @param array<array-key, mixed> $data */
    private static function readMail(array $data): MailServer
    {
        $unset = new MailServer();

        return new MailServer(
            MailCarrier::tryFrom(self::string($data['carrier'] ?? '')) ?? $unset->carrier,
            self::string($data['host'] ?? ''),
            (int) self::string($data['port'] ?? $unset->port),
            MailSecurity::tryFrom(self::string($data['security'] ?? '')) ?? $unset->security,
            self::string($data['user'] ?? ''),
            self::string($data['from'] ?? ''),
        );
    }

    /** @param array<array-key, mixed> $row */
    private static function readLetterhead(array $row): Letterhead
    {
        return new Letterhead(
            self::stringOrNull($row['division'] ?? null),
            self::string($row['sender'] ?? ''),
            self::string($row['replyTo'] ?? ''),
            self::string($row['footer'] ?? ''),
            self::string($row['quietFrom'] ?? ''),
            self::string($row['quietUntil'] ?? ''),
        );
    }

    /** @return array<string, mixed> schema `DivisionSettings` */
    private static function writeDivision(Division $division): array
    {
        return [...get_object_vars($division), 'levels' => self::writeLevels($division->levels)];
    }

    /** @return ?array{first: int, names: list<string>} */
    private static function writeLevels(?Levels $levels): ?array
    {
        return null === $levels ? null : ['first' => $levels->first, 'names' => $levels->names];
    }

    /** @param array<array-key, mixed> $row */
    private static function readDivision(array $row): Division
    {
        $levels = $row['levels'] ?? null;

        return new Division(
            self::string($row['code'] ?? ''),
            self::string($row['name'] ?? ''),
            self::stringOrNull($row['parent'] ?? null),
            true === ($row['minors'] ?? false),
            self::string($row['language'] ?? 'en-GB'),
            self::string($row['timeZone'] ?? 'UTC'),
            \is_array($levels)
                ? new Levels(
                    (int) self::string($levels['first'] ?? 1),
                    array_values(array_map(self::string(...), (array) ($levels['names'] ?? []))),
                )
                : null,
            self::string($row['welcome'] ?? ''),
            true === ($row['retired'] ?? false),
        );
    }

    /** @param array<array-key, mixed> $row */
    private static function readRegistration(array $row): Registration
    {
        $asks = array_map(self::string(...), (array) ($row['asks'] ?? []));

        return new Registration(
            self::string($row['division'] ?? ''),
            RegistrationFor::tryFrom(self::string($row['for'] ?? '')) ?? RegistrationFor::Nobody,
            self::strings($row['domains'] ?? []),
            false !== ($row['approved'] ?? true),
            array_values(array_intersect($asks, Registration::ASKS)),
            self::string($row['language'] ?? ''),
        );
    }

    /** @param array<array-key, mixed> $data */
    private static function readLabels(array $data): LabelsKept
    {
        return new LabelsKept(
            false !== ($data['free'] ?? true),
            self::strings($data['names'] ?? []),
        );
    }

    /** @return array<string, mixed> schema `DetailSettings` */
    private static function writeDetail(Detail $detail): array
    {
        $codes = static fn(array $readers): array => array_column($readers, 'value');

        return [
            ...get_object_vars($detail),
            'type' => $detail->type->value,
            'seenBy' => $codes($detail->seenBy),
            'changedBy' => $codes($detail->changedBy),
        ];
    }

    /** @param array<array-key, mixed> $row */
    private static function readDetail(array $row): Detail
    {
        $readers = static fn(mixed $codes): array => array_values(
            array_filter(array_map(DetailReader::tryFrom(...), self::strings($codes))),
        );

        return new Detail(
            self::string($row['code'] ?? ''),
            self::string($row['name'] ?? ''),
            DetailType::tryFrom(self::string($row['type'] ?? '')) ?? DetailType::Text,
            self::strings($row['choices'] ?? []),
            self::strings($row['kinds'] ?? []),
            $readers($row['seenBy'] ?? []),
            $readers($row['changedBy'] ?? []),
        );
    }

    /** @return list<string> */
    private static function strings(mixed $values): array
    {
        return array_values(array_map(self::string(...), (array) $values));
    }

    /** @param array<array-key, mixed> $row */
    private static function readStarter(array $row): Starter
    {
        $level = static fn(mixed $value): ?int => '' === self::string($value) ? null : (int) self::string($value);

        return new Starter(
            self::string($row['division'] ?? ''),
            self::string($row['site'] ?? ''),
            self::string($row['role'] ?? ''),
            self::strings($row['kinds'] ?? []),
            $level($row['lowest'] ?? null),
            $level($row['highest'] ?? null),
        );
    }

    private static function string(mixed $value): string
    {
        return \is_scalar($value) ? (string) $value : '';
    }

    private static function stringOrNull(mixed $value): ?string
    {
        return '' === self::string($value) ? null : self::string($value);
    }

    /** @return list<array<array-key, mixed>> */
    private static function rows(mixed $rows): array
    {
        return array_values(array_filter((array) $rows, is_array(...)));
    }
}
