<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\HttpKernel\Event\ControllerEvent;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\KernelEvents;

/**
 * A body is a JSON object, or there is none: what is no object (`[]`, `"x"`, `false`) would be read as one whose
 * members are all left out. Members nobody asked for are refused where the body is read (`serializer` in
 * `framework.yaml`).
 */
final class StrictBody
{
    private const DEEPEST = 64;

    #[AsEventListener(KernelEvents::REQUEST, priority: 240)]
    public function shape(RequestEvent $event): void
    {
        $request = $event->getRequest();
        $content = $event->isMainRequest() && !$request->isMethodSafe() ? $request->getContent() : '';
        if ('' !== $content && !json_decode($content, false, self::DEEPEST) instanceof \stdClass) {
            $event->setResponse(
                (new Problem(ProblemType::Malformed, 'Send a JSON object, such as {}. Nothing was done.'))->response(),
            );
        }
    }

    #[AsEventListener(KernelEvents::CONTROLLER)]
    public function wanted(ControllerEvent $event): void
    {
        $content = $event->isMainRequest() ? $event->getRequest()->getContent() : '';
        if ('' === $content || [] === get_object_vars((object) json_decode($content, false, self::DEEPEST))) {
            return;
        }
        foreach ($event->getControllerReflector()->getParameters() as $parameter) {
            if ([] !== $parameter->getAttributes(MapRequestPayload::class)) {
                return;
            }
        }
        throw new Problem(ProblemType::Invalid, 'Nothing can be said here: send no body. Nothing was done.');
    }
}
