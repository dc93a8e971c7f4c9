<?php

declare(strict_types=1);

namespace MintDoor\Shared;

use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Event\ControllerArgumentsEvent;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/**
 * Holds every body against the contract before anything is built from it: first what is true of all of them (an object,
 * not too large, not too deep, nothing in it that cannot be stored), then the schema of the operation. What is of the
 * wrong kind, unknown, too long or too many is refused there and then. What is the right kind but no value that is
 * taken goes on, so that the sentences made for its field come first, and is refused after them if they found nothing.
 */
final class BodyGuard
{
    private const LARGEST = 1_048_576;

    /** For whoever is not signed in. */
    private const LARGEST_OPEN = 16_384;

    private const DEEPEST = 20;

    /** Members of all its arrays and objects together. */
    private const MOST = 120_000;

    private const LARGEST_NUMBER = 2_147_483_647;

    private const LATER = '_body_refused';

    /** Keywords of which a violation is a value of its own kind that is not taken. */
    private const VALUES = [
        'enum',
        'const',
        'pattern',
        'format',
        'minimum',
        'maximum',
        'minItems',
        'minLength',
        'required',
    ];

    public function __construct(private readonly BodyContract $contract, private readonly Speech $speech) {}

    /** Before anything else looks at it, and whoever sends it. */
    #[AsEventListener(KernelEvents::REQUEST, priority: 240)]
    public function size(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || $request->isMethodSafe()) {
            return;
        }
        try {
            self::assertSize($request);
            // Signing in reads it before anything else does.
            OpenPaths::has($request->getPathInfo()) && self::read($request);
        } catch (Problem $problem) {
            $event->setResponse($this->speech->answer($problem));
        }
    }

    /** Once it is known who sends it to what, and that there is a place for it (`ExpensivePlaces`). */
    #[AsEventListener(KernelEvents::CONTROLLER, priority: 50)]
    public function shape(ControllerEvent $event): void
    {
        $request = $event->getRequest();
        $route = $request->attributes->get('_route');
        if (!$event->isMainRequest() || $request->isMethodSafe() || !\is_string($route)) {
            return;
        }
        $schema = $this->contract->schema($route, $request->getMethod());
        $body = self::read($request);
        if (null === $schema) {
            if ([] !== get_object_vars($body)) {
                throw new Problem(ProblemType::Invalid, 'shared.nothing-can-said-send');
            }

            return;
        }
        $validator = new Validator();
        $validator->parser()->setDefaultDraftVersion('2020-12');
        $error = $validator->validate($body, $schema)->error();
        if (null === $error) {
            return;
        }
        $error = self::deepest($error);
        $problem = self::problem($error);
        if (!\in_array($error->keyword(), self::VALUES, true)) {
            throw $problem;
        }
        $request->attributes->set(self::LATER, $problem);
    }

    /** After the sentences of its fields. */
    #[AsEventListener(KernelEvents::CONTROLLER_ARGUMENTS, priority: -100)]
    public function values(ControllerArgumentsEvent $event): void
    {
        $problem = $event->getRequest()->attributes->get(self::LATER);
        if ($event->isMainRequest() && $problem instanceof Problem) {
            throw $problem;
        }
    }

    /** @throws Problem */
    private static function assertSize(Request $request): void
    {
        $content = $request->getContent();
        if ('' === $content) {
            return;
        }
        $most = OpenPaths::has($request->getPathInfo()) ? self::LARGEST_OPEN : self::LARGEST;
        if (\strlen($content) > $most) {
            throw new Problem(
                ProblemType::TooLarge,
                Said::with('shared.request-too-large', most: intdiv($most, 1_024)),
            );
        }
        if ('json' !== $request->getContentTypeFormat()) {
            throw new Problem(ProblemType::UnsupportedMediaType, 'shared.send-json-say-content');
        }
    }

    /**
     * The body, where nothing in it cannot be kept.
     *
     * @throws Problem
     */
    private static function read(Request $request): \stdClass
    {
        $content = $request->getContent();
        if ('' === $content) {
            return new \stdClass();
        }
        $body = json_decode($content, false, self::DEEPEST);
        if (!$body instanceof \stdClass) {
            throw new Problem(ProblemType::Malformed, 'shared.send-json-object-such');
        }
        $members = 0;
        self::assertMembers($body, '', $members);

        return $body;
    }

    /** @throws Problem */
    private static function assertMembers(mixed $value, string $at, int &$members): void
    {
        if (\is_string($value)) {
            if (str_contains($value, "\0")) {
                $detail = 'shared.character-cannot-kept-type';
                throw Problem::field($at, 'character', $detail);
            }
        } elseif (\is_float($value) || \is_int($value)) {
            abs($value) > self::LARGEST_NUMBER
                && throw Problem::field($at, 'number', 'shared.number-too-large-choose');
        } elseif (\is_array($value) || $value instanceof \stdClass) {
            foreach ((array) $value as $name => $member) {
                if (++$members > self::MOST) {
                    $detail = 'shared.more-fits-request-send';
                    throw new Problem(ProblemType::TooLarge, $detail);
                }
                self::assertMembers($member, $at.'/'.mb_substr((string) $name, 0, 60), $members);
            }
        }
    }

    private static function deepest(ValidationError $error): ValidationError
    {
        while ([] !== $error->subErrors()) {
            $error = array_values($error->subErrors())[\count($error->subErrors()) - 1];
        }

        return $error;
    }

    private static function problem(ValidationError $error): Problem
    {
        $says = $error->args();
        $n = static fn(string $name): int => is_numeric($says[$name] ?? null) ? (int) $says[$name] : 0;
        $path = $error->data()->fullPath();
        [$code, $detail] = match ($error->keyword()) {
            'additionalProperties' => ['unknown-member', 'shared.leave-out'],
            'maxLength' => ['too-long', Said::with('shared.too-long', n: $n('max'))],
            'maxItems', 'maxProperties' => [
                'too-many',
                Said::with('shared.too-many', n: $n('count')),
            ],
            'minLength' => 1 < ($says['min'] ?? 1)
                ? ['too-short', Said::with('shared.too-short', n: $n('min'))]
                : ['missing', 'shared.something-missing'],
            'minItems', 'required' => ['missing', 'shared.something-missing'],
            'minimum' => ['value', Said::with('shared.choose-or-more', n: $n('min'))],
            'maximum' => ['value', Said::with('shared.choose-or-less', n: $n('max'))],
            'enum', 'const', 'pattern', 'format' => ['value', 'shared.not-values-possible'],
            default => ['type', 'shared.value-wrong-kind'],
        };
        if ('unknown-member' === $code) {
            $names = array_values(array_filter((array) ($says['properties'] ?? []), is_string(...)));
            $name = mb_substr($names[0] ?? '', 0, 60);

            return new Problem(
                ProblemType::Invalid,
                Said::with('shared.unknown-member', name: $name),
                [new Wrong(self::pointer([...$path, $name]), $code, $detail)],
            );
        }
        if ('required' === $error->keyword()) {
            $missing = array_values(array_filter((array) ($says['missing'] ?? []), is_string(...)));
            $path = [...$path, ...\array_slice($missing, 0, 1)];
        }

        return Problem::field(self::pointer($path), $code, $detail);
    }

    /** @param array<array-key, int|string> $path */
    private static function pointer(array $path): string
    {
        $parts = array_map(static fn(int|string $part): string => '/'.mb_substr((string) $part, 0, 60), $path);

        return implode('', $parts);
    }
}
