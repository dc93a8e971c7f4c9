<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Core\Messages\MessageKind;
use MintDoor\Core\Messages\Template;
use MintDoor\Core\Roles\Permission;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\Entity\MessageTemplate;
use MintDoor\Messages\Repository\Templates;
use MintDoor\People\Repository\People;
use MintDoor\Platform\Repository\Divisions;
use MintDoor\Roster\Gate;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Languages;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Said;
use MintDoor\Shared\Transaction;
use MintDoor\Shared\Wrong;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Templates of messages: the platform's, a division's, a site's. */
final readonly class TemplateController
{
    private const KIND = 'welcome|account-changed|let-in|role-changed|removed|password|invitation|reminder'
        .'|seat-offered|request-answered|quiet-warning|wishes|placed|choosing|grouped|written';

    public function __construct(
        private Templates $templates,
        private People $people,
        private Texts $texts,
        private Divisions $divisions,
        private Gate $gate,
        private PlatformClock $clock,
        private Transaction $transaction,
        private History $history,
        private Languages $languages,
    ) {}

    #[Route('/templates', name: 'templates', methods: ['GET'])]
    public function list(
        #[CurrentUser] Caller $caller,
        #[MapQueryParameter] ?string $division = null,
        #[MapQueryParameter] ?string $site = null,
        #[MapQueryParameter] ?string $language = null,
    ): Response {
        $this->assertMay($caller, $division, $site);

        return new Answer($this->all($division, $site, $this->languages->nearest($language), $caller));
    }

    #[Route('/templates/{kind}', name: 'save_template', requirements: ['kind' => self::KIND], methods: ['PUT'])]
    public function save(
        string $kind,
        #[MapRequestPayload] TemplateRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $of = $this->assertMay($caller, $body->division, $body->site);
        $problems = (new Template(trim($body->subject), trim($body->body)))->problems(MessageKind::from($kind));
        if ([] !== $problems) {
            throw new Problem(
                ProblemType::Invalid,
                self::problem($problems[0])->said,
                array_map(self::problem(...), $problems),
            );
        }

        $language = $this->languages->nearest($body->language);
        $save = function () use ($kind, $body, $of, $language, $caller): Answer {
            $own = $this->templates->locked($kind, $of, $language);
            if (($own->version ?? 0) !== $body->version) {
                throw new Problem(ProblemType::Stale, 'messages.somebody-else-changed-these');
            }
            $by = $this->people->known($caller->id);
            $now = $this->clock->instant();
            if (null === $own) {
                $text = [trim($body->subject), trim($body->body)];
                $own = new MessageTemplate(
                    $kind,
                    $of,
                    $language,
                    ...$text,
                    version: 0,
                    changedBy: $by,
                    changedAt: $now
                );
                $this->templates->add($own);
            }
            $own->reword(trim($body->subject), trim($body->body), $by, $now);
            $this->templates->flush();
            $this->history->write(
                History::PLATFORM,
                $caller,
                new Happening('template-changed', [
                    'kind' => $kind,
                    'division' => $body->division,
                    'site' => $body->site,
                    'language' => $language,
                ]),
            );

            return new Answer($this->all($body->division, $body->site, $language, $caller));
        };

        return $this->transaction->run($request, $caller, [], $save);
    }

    /** Goes back to the words of the division, the platform, or those the platform began with. */
    #[Route('/templates/{kind}', name: 'forget_template', requirements: ['kind' => self::KIND], methods: ['DELETE'])]
    public function forget(
        string $kind,
        Request $request,
        #[CurrentUser] Caller $caller,
        #[MapQueryParameter] ?string $division = null,
        #[MapQueryParameter] ?string $site = null,
        #[MapQueryParameter] ?string $language = null,
    ): Response {
        $of = $this->assertMay($caller, $division, $site);
        $language = $this->languages->nearest($language);

        return $this->transaction->run($request, $caller, [], function () use (
            $kind,
            $of,
            $division,
            $site,
            $language,
            $caller,
        ): Answer {
            $own = $this->templates->own($kind, $of, $language);
            if (null !== $own) {
                $this->templates->remove($own);
                $this->templates->flush();
            }
            $this->history->write(
                History::PLATFORM,
                $caller,
                new Happening('template-changed', [
                    'kind' => $kind,
                    'division' => $division,
                    'site' => $site,
                    'language' => $language,
                    'forgotten' => true,
                ]),
            );

            return new Answer($this->all($division, $site, $language, $caller));
        });
    }

    /** @param array{field: string, code: string, value: string} $problem as `Template::problems()` has it */
    public static function problem(array $problem): Wrong
    {
        $code = 'empty' === $problem['code'] ? 'empty-'.$problem['field'] : $problem['code'];

        return new Wrong(
            '/'.$problem['field'],
            $problem['code'],
            Said::with('messages.template.'.$code, value: $problem['value']),
        );
    }

    /** @return string id of whose templates these are */
    private function assertMay(Caller $caller, ?string $division, ?string $site): string
    {
        if (null !== $site && 1 !== preg_match('/^'.Id::PATTERN.'$/D', $site)) {
            throw Problem::notFound('site');
        }
        if (null !== $site) {
            return $this->gate
                ->at($site, $caller)
                ->require(Permission::RunSite, 'messages.only-leads-site-administrators')->site
                ->id;
        }
        if (null !== $division) {
            return $caller->administers($division)
                ? $this->divisions->withCode($division)->id ?? throw Problem::notFound('division')
                : throw Problem::notAllowed('messages.only-administrators-division-change');
        }

        return $caller->platformAdministrator
            ? Id::NONE
            : throw Problem::notAllowed('messages.only-platform-administrators-change');
    }

    private function all(?string $division, ?string $site, string $language, Caller $caller): TemplatesAnswer
    {
        $scope = null !== $site ? 'site' : (null !== $division ? 'division' : 'platform');
        $of =
            null !== $site
                ? $site
                : (null !== $division
                    ? $this->divisions->withCode($division)->id ?? Id::NONE
                    : Id::NONE);
        $division ??= null === $site ? null : $this->gate->at($site, $caller)->site->division;
        $items = [];
        foreach (MessageKind::cases() as $kind) {
            if (\in_array($scope, $kind->scopes(), true)) {
                $text = $this->texts->nearest($kind, $site, $division, $language);
                $items[] = new TemplateShown(
                    kind: $kind->value,
                    subject: $text->template->subject,
                    body: $text->template->body,
                    whose: $text->of,
                    own: $text->of === $scope,
                    version: $this->templates->own($kind->value, $of, $language)->version ?? 0,
                    placeholders: $kind->placeholders(),
                    needsLink: $kind->needsLink(),
                );
            }
        }

        return new TemplatesAnswer($scope, $language, $this->languages->offered(), $items);
    }
}
