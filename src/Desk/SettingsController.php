<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Core\Platform\TermPattern;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Entity\SettingsVersion;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Platform\Repository\MailSecrets;
use MintDoor\Platform\Repository\SettingsVersions;
use MintDoor\Platform\SettingsCodec;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Instant;
use MintDoor\Shared\Items;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Transaction;
use MintDoor\Sites\Repository\Sites;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The settings of the platform: read by administrators, changed by those of the platform. */
final readonly class SettingsController
{
    private const MOST_VERSIONS = 100;

    private const MAY = 'desk.only-platform-administrator-sets';

    public function __construct(
        private PlatformSettings $settings,
        private SettingsVersions $versions,
        private SettingsHandler $handler,
        private People $people,
        private MailSecrets $mailSecrets,
        private Sites $sites,
        private Transaction $transaction,
        private PlatformClock $clock,
    ) {}

    /** The settings as they are, or as they were in an earlier version. */
    #[Route('/settings', name: 'settings', methods: ['GET'])]
    public function settings(#[CurrentUser] Caller $caller, #[MapQueryParameter] ?int $version = null): Response
    {
        self::assertAdministrator($caller);
        $kept = null === $version ? null : $this->versions->find($version);
        if (null !== $version && null === $kept) {
            throw Problem::notFound('settings-version');
        }
        $holds = $this->settings->version();
        $settings = null === $kept ? $this->settings->read() : SettingsCodec::read($kept->settings);

        return (new Answer([
            'version' => $kept->version ?? $holds,
            'mayChange' => $caller->platformAdministrator,
            'mailPassword' => $this->mailSecrets->kept(),
            'sites' => $this->sites->named(array_column($settings->starters, 'site')),
            'settings' => SettingsCodec::write($settings),
        ]))->versioned($kept->version ?? $holds);
    }

    /** Who put which version in force, the last first. */
    #[Route('/settings/versions', name: 'settings_versions', methods: ['GET'])]
    public function versions(#[CurrentUser] Caller $caller): Response
    {
        self::assertAdministrator($caller);
        $all = $this->versions->latest(self::MOST_VERSIONS);
        $people = $this->people->byId(
            array_values(array_filter(array_map(static fn(SettingsVersion $each): ?string => $each->madeBy, $all))),
        );

        return new Answer(new Items(
            array_map(
                static fn(SettingsVersion $each): SettingsVersionShown => new SettingsVersionShown(
                    $each->version,
                    Instant::toJson($each->madeAt),
                    isset($people[$each->madeBy ?? '']) ? PersonRow::name($people[$each->madeBy]) : null,
                ),
                $all,
            ),
        ));
    }

    #[Expensive]
    #[Route('/settings', name: 'change_settings', methods: ['PUT'])]
    public function change(
        #[MapRequestPayload] SettingsRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::MAY);
        $after = $this->handler->understand($body->settings);
        if (!$body->apply) {
            return new Answer($this->handler->preview($after));
        }

        return $this->transaction->run(
            $request,
            $caller,
            [],
            fn(): Answer => new Answer($this->handler->apply($after, $caller, IfMatch::of($request))),
        );
    }

    /** Terms of later years after the pattern of some. Changes nothing. */
    #[Route('/settings/later-terms', name: 'later_terms', methods: ['POST'])]
    public function laterTerms(
        #[MapRequestPayload] LaterTermsRequest $body,
        #[CurrentUser] Caller $caller,
    ): Response {
        $caller->mustAdministerPlatform(self::MAY);
        $terms = SettingsCodec::read(['terms' => $body->terms])->terms;
        foreach ($terms as $index => $term) {
            foreach (['startsOn' => $term->startsOn, 'endsOn' => $term->endsOn] as $field => $day) {
                if (1 !== preg_match('/^[12]\d{3}-\d\d-\d\d$/D', $day) || false === strtotime($day)) {
                    throw Problem::field("/terms/$index/$field", 'not-a-day', 'desk.not-a-day');
                }
            }
        }
        $later = [];
        $taken = array_values(array_filter($body->taken, is_string(...)));
        for ($year = 1; $year <= $body->years; ++$year) {
            foreach (TermPattern::later($terms, $year, $taken) as $term) {
                $taken[] = $term->code;
                $later[] = get_object_vars($term);
            }
        }

        return new Answer(new Items($later));
    }

    /** Days off as a calendar has them. Changes nothing. */
    #[Expensive]
    #[Route('/settings/calendar', name: 'read_calendar', methods: ['POST'])]
    public function calendar(#[MapRequestPayload] CalendarRequest $body, #[CurrentUser] Caller $caller): Response
    {
        $caller->mustAdministerPlatform(self::MAY);

        return new Answer(CalendarFile::read($body->text, gmdate('Y-m-d', $this->clock->instant())));
    }

    private static function assertAdministrator(Caller $caller): void
    {
        if (!$caller->isAdministrator()) {
            throw Problem::notAllowed('desk.only-administrators-see-settings');
        }
    }
}
